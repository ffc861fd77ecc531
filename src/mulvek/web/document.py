"""The API document, worked out when somebody asks for it: for a start it is half of all the time."""

from collections.abc import Callable
from functools import cached_property
from typing import Any

from flask_openapi3.openapi import OpenAPI
from flask_openapi3.utils import parse_parameters


class Documented(OpenAPI):
    """The framework describes each route as it is added; this one keeps what it is told of it until it is asked."""

    def __init__(self, *args: Any, **kwargs: Any) -> None:
        self._told: list[Callable[[], Any]] = []
        super().__init__(*args, **kwargs)

    def _collect_openapi_info(self, rule: str, func: Callable[..., Any], **said: Any) -> Any:
        describe = super()._collect_openapi_info
        self._told.append(lambda: describe(rule, func, **said))
        return parse_parameters(func, doc_ui=False)

    @cached_property
    def document(self) -> dict[str, Any]:
        for describe in self._told:
            describe()
        return dict(self.api_doc)
