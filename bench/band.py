"""The same bands of the flattened runs by Shapely (GEOS) and pyclipper: milliseconds, best of three, and nodes."""
import json
import sys

import pyclipper
from shapely.geometry import LineString

from flattened import best, nodes

given = json.load(open(sys.argv[1]))
HALF = given["width"] / 2
SCALE = 2 ** 16
FLAT_CAP, MITRE = 2, 2


def by_shapely(lines):
    return [line.buffer(HALF, 8, cap_style=FLAT_CAP, join_style=MITRE, mitre_limit=4.0) for line in lines]


def by_clipper(lines):
    outcomes = []
    for line in lines:
        offset = pyclipper.PyclipperOffset(4.0, given["flat"] * SCALE)
        offset.AddPath(line, pyclipper.JT_MITER, pyclipper.ET_OPENBUTT)
        outcomes.append(offset.Execute(HALF * SCALE))
    return outcomes


shapes = [LineString(line) for line in given["lines"]]
scaled = [pyclipper.scale_to_clipper(line, SCALE) for line in given["lines"]]
time_shapely, buffered = best(lambda: by_shapely(shapes))
time_clipper, paths = best(lambda: by_clipper(scaled))
print(json.dumps({
    "shapely": {"best": time_shapely, "nodes": sum(map(nodes, buffered))},
    "pyclipper": {"best": time_clipper, "nodes": sum(len(path) for outcome in paths for path in outcome)},
}))
