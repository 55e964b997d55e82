"""What is not cut pattern by pattern: strip sets, strings, crumbs, units of a drawer."""
