"""The same petals, each without those over it, and the same bands, each without what goes over it, by Shapely (GEOS): milliseconds, best of three, and area."""
import json
import sys

from shapely.geometry import LineString, Polygon
from shapely.ops import unary_union

from flattened import best

given = json.load(open(sys.argv[1]))
HALF, GAP = given["width"] / 2, given["gap"]
petals = [Polygon(points) for points in given["petals"]]
ways = [LineString(points) for points in given["ways"]]
COUNT = len(petals)


def lapped():
    outcome = []
    for k, petal in enumerate(petals):
        # Those that lie over it: the ones before it, clockwise, up to half of all.
        over = [petals[(k - ahead) % COUNT] for ahead in range(1, COUNT // 2) if petals[(k - ahead) % COUNT].intersects(petal)]
        outcome.append(petal.difference(unary_union(over)) if over else petal)
    return outcome


def woven():
    bands = [way.buffer(HALF, 32, cap_style=2) for way in ways]
    wide = [way.buffer(HALF + GAP, 32, cap_style=2) for way in ways]
    outcome = []
    for k, band in enumerate(bands):
        over = [wide[j] for j in range(1 - k % 2, len(ways), 2) if (j // 2 + k // 2 + k % 2) % 2 == 0]
        cutters = [wide_one.intersection(band.envelope.buffer(1)) for wide_one in over]
        outcome.append(band.difference(unary_union(cutters)))
    return outcome


time_lap, laps = best(lapped)
time_weave, strands = best(woven)
print(json.dumps({"lap": time_lap, "lap area": sum(one.area for one in laps), "weave": time_weave, "weave area": sum(one.area for one in strands)}))
