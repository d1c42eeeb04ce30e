#!/usr/bin/env python3
"""Combinations that a browser keeps, as the app writes its own shortcuts: Control+Shift+p, Alt+ArrowLeft, F5.

usage: build-browser.py BROWSER_KEYS.json OUT.json
"""
import json, re, sys

source, out_file = sys.argv[1:3]
NAMED = {"VK_DELETE": "Delete", "VK_BACK": "Backspace", "VK_LEFT": "ArrowLeft", "VK_RIGHT": "ArrowRight",
         "VK_HOME": "Home", "VK_ESCAPE": "Escape", "VK_TAB": "Tab"}
ORDER = ["Control", "Alt", "Shift"]
combos = set()
for entry in json.load(open(source)):
    key = entry["key"] or entry.get("keycode") or ""
    key = NAMED.get(key, key.removeprefix("VK_") if re.fullmatch(r"VK_F\d+", key) else key)
    if not re.fullmatch(r".|F\d+|[A-Z][A-Za-z]+", key):
        continue
    mods = {{"accel": "Control", "control": "Control", "alt": "Alt", "shift": "Shift"}[m] for m in entry["modifiers"].split(",") if m}
    if not mods and key in ("Escape", "Delete", "Backspace"):
        continue  # a page gets these first
    combos.add("+".join([m for m in ORDER if m in mods] + [key.lower() if len(key) == 1 else key]))
# Find in page and quick find keep these in some browsers; from memory.
combos |= {"Control+w", "Control+t", "Control+n", "Control+Shift+n", "Control+Shift+t", "Control+Tab", "Control+Shift+Tab", "F1", "F3", "F5", "F6", "F7", "F11", "F12", "Control+l"}
json.dump({"source": "a Debian browser package (MPL-2.0), key combinations only; F1 to F12 and tab keys from memory", "keys": sorted(combos)}, open(out_file, "w"), indent=1)
