"""What is stored and sent as a slug, as a cook reads it."""


def spoken(slug: str) -> str:
    """
    >>> spoken("light-squeeze")
    'light squeeze'
    """
    return slug.replace("-", " ")
