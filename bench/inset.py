"""The same insets of the flattened outlines by Shapely (GEOS): milliseconds, best of three, and nodes of all outcomes."""
import json
import math
import sys

from shapely.geometry import Polygon

from flattened import best, nodes

given = json.load(open(sys.argv[1]))
DISTANCES = given["distances"]
FLAT = 1e-4


def segments(distance):
    """To a quarter circle, so that a chord leaves it by FLAT."""
    return max(2, math.ceil(math.pi / 2 / (2 * math.acos(1 - FLAT / abs(distance)))))


def by_shapely(polygon):
    return [polygon.buffer(-distance, segments(distance)) for distance in DISTANCES]


results = {}
for name, ring in given["rings"].items():
    polygon = Polygon(ring).buffer(0)
    time_shapely, shapes = best(lambda: by_shapely(polygon))
    results[name] = {"shapely": {"best": time_shapely, "nodes": sum(map(nodes, shapes))}}
print(json.dumps(results))
