"""Settings for all tests.

Every run tries the same cases; `pytest --hypothesis-profile=explore` tries others each time, and
`--hypothesis-profile=long tests/web/test_fuzz.py` very many.
"""

from hypothesis import HealthCheck, settings

# Speed is measured in the benchmark, never here.
settings.register_profile(
    "kersey",
    derandomize=True,
    deadline=None,
    max_examples=15,
    suppress_health_check=[HealthCheck.too_slow],
)
settings.register_profile(
    "explore", settings.get_profile("kersey"), derandomize=False, max_examples=100
)
# Many more cases where anything may come in from outside, for a night: see tests/web/test_fuzz.py.
settings.register_profile("long", settings.get_profile("explore"), max_examples=3000)
settings.load_profile("kersey")
