"""Milk curdled: acid, cooling, curd and whey, pieces, syrup; and fruit with milk."""
