"""Who may come in: the door, rights of each route, and what a request must show before it is answered."""
