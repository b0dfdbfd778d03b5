"""Joins, commons and differences of pairs of polygons with the general-purpose library Shapely. In: pairs of lists of rings (pieces, then
holes told by their sense); out: for each pair the areas of union, intersection and difference, and pieces and holes of the union."""
import json
import sys

from shapely.geometry import Polygon
from shapely.ops import unary_union


def shape(rings):
    signed = [(sum(a[0] * b[1] - a[1] * b[0] for a, b in zip(ring, ring[1:] + ring[:1])), Polygon(ring)) for ring in rings]
    whole = unary_union([polygon.buffer(0) for area, polygon in signed if area > 0])
    for area, polygon in signed:
        if area < 0:
            whole = whole.difference(polygon.buffer(0))
    return whole


out = []
for one, other in json.load(sys.stdin):
    a, b = shape(one), shape(other)
    out.append([a.union(b).area, a.intersection(b).area, a.difference(b).area, a.symmetric_difference(b).area])
print(json.dumps(out))
