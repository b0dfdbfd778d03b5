"""A drawing of 10,000 paths read with the general-purpose library svgelements. Median and 95th percentile in milliseconds."""
import json
import sys
import time

from svgelements import SVG

RUNS = 3
times = []
for run in range(RUNS + 1):
    start = time.perf_counter()
    count = sum(1 for element in SVG.parse(sys.argv[1]).elements())
    times.append((time.perf_counter() - start) * 1000)
times = sorted(times[1:])
print(json.dumps({"median": times[RUNS // 2], "p95": times[-1], "elements": count}))
