"""What holds for all tests."""

import os

from hypothesis import HealthCheck, settings

# A slow machine is no fault of a strategy.
settings.register_profile("fresh", suppress_health_check=[HealthCheck.too_slow], deadline=None)
# What passed once passes again: `make fuzz` looks for what was never tried.
settings.register_profile("steady", settings.get_profile("fresh"), derandomize=True)
settings.load_profile(os.environ.get("ZIGZAG_PROPERTIES", "steady"))
