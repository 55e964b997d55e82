"""Kersey: from the fabric a quilter has to the quilt it makes.

The layers, each importing only from those above it in this list:

    core      the trade and its arithmetic; pure Python, exact lengths
    drawing   core results -> SVG text            \\
    store     projects and settings in SQLite      > siblings, unknown to each other
    formats   files read and written              /
    demo      the sample world, made of core calls
    web       the pages
    cli       the command line: serve, demo
"""
