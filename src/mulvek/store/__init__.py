"""What Mulvek remembers: one SQLite file, its tables, and one repository module a station."""
