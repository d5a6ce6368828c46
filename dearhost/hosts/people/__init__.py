"""People: model sheets, the skeleton, and every part that is drawn of them."""
