"""``python -m dearhost.cli``."""

import sys

from dearhost.cli import main

sys.exit(main())
