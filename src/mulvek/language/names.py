"""Names that the cook gave, as a sentence takes them up."""


def the(name: str) -> str:
    """
    >>> the("left burner"), the("the old brass pot")
    ('the left burner', 'the old brass pot')
    """
    return name if name.lower().startswith(("the ", "my ", "our ")) else f"the {name}"
