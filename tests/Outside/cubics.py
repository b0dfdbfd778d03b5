"""Crossings of pairs of cubics with the general-purpose library Shapely, on 6,000 chords each. In: a list of pairs; out: for each the places."""
import json
import sys

import numpy
from shapely.geometry import LineString

CHORDS = 6000
t = numpy.linspace(0.0, 1.0, CHORDS + 1)[:, None]


def polyline(points):
    a, b, c, d = (numpy.array(points[k:k + 2])[None, :] for k in (0, 2, 4, 6))
    s = 1 - t
    return LineString(s ** 3 * a + 3 * s * s * t * b + 3 * s * t * t * c + t ** 3 * d)


def places(one, other):
    found = polyline(one).intersection(polyline(other))
    parts = getattr(found, "geoms", [found])
    return [list(part.coords[0]) for part in parts if not part.is_empty]


print(json.dumps([places(one, other) for one, other in json.load(sys.stdin)]))
