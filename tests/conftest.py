"""Settings for all tests.

Every run tries the same cases; `pytest --hypothesis-profile=explore` tries others each time.
"""

from hypothesis import HealthCheck, settings

# Speed is measured in the benchmark, never here.
settings.register_profile(
    "kersey",
    derandomize=True,
    deadline=None,
    max_examples=60,
    suppress_health_check=[HealthCheck.too_slow],
)
settings.register_profile("explore", settings.get_profile("kersey"), derandomize=False)
settings.load_profile("kersey")
