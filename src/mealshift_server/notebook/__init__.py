"""The notebook: every pot that was cooked, how it came out, and what was learnt from it."""
