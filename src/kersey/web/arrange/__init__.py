"""Arrange: the whole quilt on the wall."""
