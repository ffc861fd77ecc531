"""The tables of reference values and the tests are one list: no row is untested, no test is without its row."""

import pytest

from tests.core import test_curd, test_reference, test_sweets_reference
from tests.science import references

TESTED = {
    "reduction": test_reference.VALUES,
    "curd": [*test_curd.VALUES, *test_sweets_reference.SYRUP_VALUES],
    "sweets": test_sweets_reference.VALUES,
}


@pytest.mark.parametrize("kind", TESTED)
def test_every_row_is_tested_and_every_test_has_its_row(kind):
    numbers = [number for number, _ in TESTED[kind]]
    assert sorted(numbers) == sorted(references(kind)) and len(set(numbers)) == len(numbers)


def test_a_row_refuses_what_lies_outside():
    row = references("reduction")["R02"]
    assert row.holds(row.value + row.within) and not row.holds(row.value + 1.01 * row.within + 1e-9)
