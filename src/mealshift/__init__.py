"""Meal Shift's core: from a rice recipe and a grain to water, soak, roast, time and steps.

Pure Python: no framework, no network, no clock, no files but its own data.
Inside, everything is in millilitres, grams, minutes and degrees Celsius.
"""

ENGINE_VERSION = "0.45.0"
SCHEMA = 1
