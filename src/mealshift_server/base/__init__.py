"""What every room stands on: errors, answers, the clock, bodies made harmless. It knows no room."""
