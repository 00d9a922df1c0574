"""Jars and bags of grain, with weight and dates."""
