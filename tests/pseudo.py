"""A language that nobody speaks, made of the English catalogue: what is not in ⟦brackets⟧ and åççéñŧš escaped it."""

from functools import cache

from fluent.syntax import FluentParser, FluentSerializer
from fluent.syntax import ast as ftl
from fluent.syntax.visitor import Transformer

from mulvek.core.messages.catalogue import Catalogue, catalogue

PSEUDO = "pseudo"
_LETTERS = str.maketrans("acdeghijnorstuyACDEGIJNOSTUYZ", "åçđéĝĥïĵñøŕšţúýÅÇĐÉĜÏĴÑØŠŢÚÝŽ")


class _Accents(Transformer):
    """Letters of the catalogue's own words; the keys of its choices stay."""

    def visit_TextElement(self, node: ftl.TextElement) -> ftl.TextElement:
        node.value = node.value.translate(_LETTERS)
        return node


@cache
def pseudo() -> Catalogue:
    texts = {}
    for room, text in catalogue("en").texts.items():
        resource = FluentParser().parse(text)
        for entry in resource.body:
            if isinstance(entry, ftl.Message | ftl.Term):
                _Accents().visit(entry)
                for part in (entry, *entry.attributes):
                    if isinstance(entry, ftl.Message) and part.value is not None:
                        ends = (ftl.TextElement("⟦"), *part.value.elements, ftl.TextElement("⟧"))
                        part.value.elements = list(ends)
        texts[room] = FluentSerializer().serialize(resource)
    return Catalogue("en", texts)
