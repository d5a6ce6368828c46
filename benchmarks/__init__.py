"""Speed and memory on this machine, as ratios measured side by side in one run. Run: python -m benchmarks"""
