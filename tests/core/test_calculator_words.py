"""Every calculator has its words, and its sentence names what it answers."""

import pytest

from core.calculator_words import FIELD, WORDS
from core.calculators import REGISTRY

WAYS = {"", "0", "1", "2", "clock", "clocks", "minutes", "percent", "count", "by"}
OWN = {"text", "title"}


def test_every_calculator_is_called_something_and_nothing_else_is():
    assert WORDS.keys() == REGISTRY.keys()
    assert len({words.title for words in WORDS.values()}) == len(WORDS)


@pytest.mark.parametrize("name", [n for n, each in REGISTRY.items() if not each.reads_files])
def test_its_answer_is_a_sentence_of_fields_it_has(name):
    answered = REGISTRY[name].output.model_fields.keys()
    said = WORDS[name].fields
    assert set(said) <= answered
    assert said or OWN & answered, "neither a sentence nor a text of its own"
    assert {way for _, way in FIELD.findall(WORDS[name].says)} <= WAYS
