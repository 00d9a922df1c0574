"""Storage, accounts and HTTP. No rule of the job lives here: it asks `mealshift`."""
