"""The week: which rice meals are shifted, to what, and who cooks."""
