"""Kersey: from the fabric a quilter has to the quilt it makes.

The layers, each importing only from those above it in this list:

    core       the trade and its arithmetic; pure Python, exact lengths. Its rooms:
               measure, cloth, cutting, stash, blocks, frame, yields, project, quilt, work
    records    the core's own types as JSON documents and back
    drawing    core results -> SVG text            \\
    store      projects and settings in SQLite      > siblings, unknown to each other
    formats    files read and written              /
    searching  questions worked out in processes of their own, what is known kept for a while
    demo       the sample world, made of core calls
    web        the pages
    cli        the command line: serve, demo, yield, export, import

The road: a recipe gives an assembly (`blocks`), the fabric pulled for it a question (`project`);
the search answers it (`cutting`, `yields`); the answer becomes a plan with kits that is kept
(`quilt`), and from the plan follow the quilt, the cut sheet and what is put away (`work`).
"""
