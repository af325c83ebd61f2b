"""What holds for all tests."""

from hypothesis import HealthCheck, settings

# A slow machine is no fault of a strategy.
settings.register_profile("steady", suppress_health_check=[HealthCheck.too_slow], deadline=None)
settings.load_profile("steady")
