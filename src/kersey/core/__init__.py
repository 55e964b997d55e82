"""The trade and its arithmetic. No input, output, clock or framework.

The rooms, each importing only from what stands above it in this list:

    measure   lengths, units, seam, usable width, rounding
    cloth     what fabric is: prints, values, colours, forms, lots; sorting and judging them
    cutting   the problem, the search, the plan, the checker; knows nothing of quilts
    stash     fabric at home: what people type, lots kept, pulling, the ledger
    blocks    recipes (one small file each), assemblies, own blocks
    frame     borders, backing, batting, binding, purposes: sums on sizes
    yields    the answer and what is said of it: proof, limits, cliffs, claims, even plans
    project   one quilt's fabric, choices and state
    quilt     kits dealt, the setting, the whole quilt
    wall      the quilt laid out: turning, orders, what troubles the eye, a photograph read
    work      the order of work, cut sheets, putting away
    finish    borders as sewn, layers, quilting, edges, what washing takes

Errors that more than one room raises stand beside them in ``errors``.
"""
