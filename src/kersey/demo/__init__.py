"""The sample world: the sewing of a heritage night train, made by the core's own calls."""
