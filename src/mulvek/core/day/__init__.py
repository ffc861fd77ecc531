"""The Day: several sweets on few burners, with one pair of hands, for one serving time."""
