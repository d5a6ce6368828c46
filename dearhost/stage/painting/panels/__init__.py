"""What is shown beside a host or in place of one: lists, numbers, quotations, comparisons, words, pictures."""

from dearhost.stage.painting.panels.comparisons import ComparisonPanel
from dearhost.stage.painting.panels.end_cards import EndCardPanel
from dearhost.stage.painting.panels.large_words import LargeWordsPanel
from dearhost.stage.painting.panels.lists import ListPanel
from dearhost.stage.painting.panels.numbers import NumberPanel
from dearhost.stage.painting.panels.own_pictures import OwnPanel
from dearhost.stage.painting.panels.pictures import PicturePanel
from dearhost.stage.painting.panels.quotations import QuotationPanel
from dearhost.stage.painting.panels.title_cards import TitleCardPanel

__all__ = [
    "ComparisonPanel",
    "EndCardPanel",
    "LargeWordsPanel",
    "ListPanel",
    "NumberPanel",
    "OwnPanel",
    "PicturePanel",
    "QuotationPanel",
    "TitleCardPanel",
]
