"""The same insets of the flattened outlines by Shapely (GEOS) and pyclipper: milliseconds (best of three; of pyclipper of one), and nodes of all outcomes."""
import json
import math
import sys

import pyclipper
from shapely.geometry import Polygon

from flattened import best, nodes

given = json.load(open(sys.argv[1]))
DISTANCES = given["distances"]
SCALE = 2 ** 20
FLAT = 1e-4


def segments(distance):
    """To a quarter circle, so that a chord leaves it by FLAT."""
    return max(2, math.ceil(math.pi / 2 / (2 * math.acos(1 - FLAT / abs(distance)))))


def by_shapely(polygon):
    return [polygon.buffer(-distance, segments(distance)) for distance in DISTANCES]


def by_clipper(ring):
    outcomes = []
    for distance in DISTANCES:
        offset = pyclipper.PyclipperOffset(2.0, FLAT * SCALE)
        offset.AddPath(ring, pyclipper.JT_ROUND, pyclipper.ET_CLOSEDPOLYGON)
        outcomes.append(offset.Execute(-distance * SCALE))
    return outcomes


results = {}
for name, ring in given["rings"].items():
    polygon = Polygon(ring).buffer(0)
    scaled = pyclipper.scale_to_clipper(ring, SCALE)
    time_shapely, shapes = best(lambda: by_shapely(polygon))
    # Once: it takes minutes.
    time_clipper, paths = best(lambda: by_clipper(scaled), runs=1)
    results[name] = {
        "shapely": {"best": time_shapely, "nodes": sum(map(nodes, shapes))},
        "pyclipper": {"best": time_clipper, "nodes": sum(len(path) for outcome in paths for path in outcome)},
    }
print(json.dumps(results))
