"""Use on your phone: devices of the home network are paired, listed and sent away."""
