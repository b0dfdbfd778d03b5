"""Reads SVG path data with the general-purpose library svgelements. In: a list of paths; out: the area that each encloses, clockwise positive."""
import json
import sys

from svgelements import Arc, Close, CubicBezier, Line, Move, Path, QuadraticBezier


def cross(a, b):
    return a.x * b.y - a.y * b.x


def area(data):
    path = Path(data)
    # Seen from where the path begins, so that small figures far from the origin keep their digits.
    origin = path[0].end
    total = 0.0
    for segment in path:
        if isinstance(segment, (Move,)) or segment.start is None or segment.end is None:
            continue
        a, b = segment.start - origin, segment.end - origin
        total += cross(a, b) / 2
        if isinstance(segment, Arc):
            # The segment between chord and arc, by the centre and the sweep that the library found.
            c = segment.center - origin
            total += segment.rx * segment.ry * segment.sweep / 2 - cross(a - c, b - c) / 2
        elif isinstance(segment, QuadraticBezier):
            p = segment.control - origin
            total += (2 * cross(a, p) + 2 * cross(p, b) + cross(a, b)) / 6 - cross(a, b) / 2
        elif isinstance(segment, CubicBezier):
            p, q = segment.control1 - origin, segment.control2 - origin
            total += (6 * cross(a, p) + 3 * cross(a, q) + cross(a, b) + 3 * cross(p, q) + 3 * cross(p, b) + 6 * cross(q, b)) / 20 - cross(a, b) / 2
    return total


print(json.dumps([area(data) for data in json.load(sys.stdin)]))
