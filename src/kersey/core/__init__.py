"""The trade and its arithmetic. No input, output, clock or framework.

The rooms, each importing only from what stands above it in this list:

    measure   lengths, units, seam, usable width, rounding
    cloth     what fabric is: prints, values, colours, forms, lots; sorting and judging them
    cutting   the problem, the search, the plan, the checker; knows nothing of quilts
    stash     fabric at home: what people type, lots kept, pulling, the ledger
    blocks    recipes (one small file each), assemblies, own blocks
    frame     sashing, borders, backing, batting, binding, purposes, schemes: sums on sizes
    yields    the answer and what is said of it: proof, limits, cliffs, claims, even plans
    project   one quilt's fabric, choices and state
    kits      which print goes into which block, and its checker
    planning  the plan that a quilt is cut by: asked, found, kept, and whether it still stands
    quilt     the whole quilt: its parts, its sums, what is bought for it
    whole     whole quilts searched jointly: their score, the search
    wall      the quilt laid out: turning, orders, what troubles the eye, a photograph read
    work      the order of work: steps, sheets, labels, at the table
    sewing    passes, seams and pressing; measuring as it is sewn; time
    finish    borders as sewn, layers, quilting, edges, what washing takes
    mending   what went wrong, and the ways to go on
    leaving   what is left of a quilt, and how it is put away

Errors that more than one room raises stand beside them in ``errors``.
"""
