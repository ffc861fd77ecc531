"""The contract at every boundary that the document has: some fifteen thousand requests. Only with --full."""

import tempfile
from pathlib import Path

import pytest
import schemathesis
from hypothesis import HealthCheck, settings
from schemathesis.specs.openapi.checks import positive_data_acceptance

from mulvek.demo.boathouse import fill
from mulvek.store.database import Database
from mulvek.web.app import create_app
from tests import sizes

if not sizes.full:
    pytest.skip("only with --full", allow_module_level=True)

# built at module level: schemathesis.pytest.from_fixture fails under this pytest
_folder = tempfile.TemporaryDirectory()
_path = Path(_folder.name) / "contract.sqlite3"
_db = Database(_path)
fill(_db, 1_800_000_000.0)
_db.close()
schema = schemathesis.openapi.from_wsgi("/openapi.json", create_app(_path, clock=lambda: 1_800_000_000.0))


@schema.parametrize()
@settings(max_examples=20, deadline=None, derandomize=True, suppress_health_check=list(HealthCheck))
def test_contract_at_its_boundaries(case):
    # the kitchen knows more than the schema: a well-formed plan may still be impossible (422)
    case.call_and_validate(excluded_checks=[positive_data_acceptance])
