"""The demo household, made by the same actions a cook uses."""
