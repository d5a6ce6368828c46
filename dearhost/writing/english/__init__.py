"""English as far as writing needs it: word classes, verbs, clauses, numbers, stems."""
