"""Searching: each question in a process of its own, what is known kept for a while.

Pages and command line stand above it; below it is the computation alone.
"""
