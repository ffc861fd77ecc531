"""What a milk, a sweet or a syrup is made of, and the tables of materials."""
