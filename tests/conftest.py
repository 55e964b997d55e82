"""Settings for all tests."""

from hypothesis import HealthCheck, settings

# Speed is measured in the benchmark, never here.
settings.register_profile(
    "kersey", deadline=None, max_examples=60, suppress_health_check=[HealthCheck.too_slow]
)
settings.load_profile("kersey")
