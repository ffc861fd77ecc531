"""A small schema-driven fuzz of the whole API: documented answers only, never 5xx."""

import json
from pathlib import Path

import pytest
import schemathesis
from hypothesis import HealthCheck, given, settings
from schemathesis import GenerationMode
from schemathesis.specs.openapi.checks import positive_data_acceptance

from mulvek.web.app import create_app, stop
from tests.kitchens import Clock
from tests.sizes import sized

DOCUMENT = json.loads((Path(__file__).parents[2] / "openapi.json").read_text())
OPERATIONS = [(path, method) for path, methods in DOCUMENT["paths"].items() for method in methods]


@pytest.fixture(scope="module")
def schema(templates, tmp_path_factory):
    app = create_app(templates.demo(tmp_path_factory.mktemp("contract") / "demo.sqlite3"), clock=Clock())
    yield schemathesis.openapi.from_wsgi("/openapi.json", app)
    stop(app)


@pytest.mark.parametrize(("path", "method"), OPERATIONS)
def test_contract(schema, path, method):
    operation = schema[path][method]
    modes = [GenerationMode.POSITIVE] + [GenerationMode.NEGATIVE] * bool(operation.body or operation.path_parameters)
    for mode in modes:

        @given(case=operation.as_strategy(generation_mode=mode))
        @settings(max_examples=sized(6, 50), deadline=None, derandomize=True, suppress_health_check=list(HealthCheck))
        def answers(case):
            # the kitchen knows more than the schema: a well-formed plan may still be impossible (422)
            case.call_and_validate(excluded_checks=[positive_data_acceptance])

        answers()
