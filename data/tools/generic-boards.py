#!/usr/bin/env python3
"""Generic keyboards of the catalogue: an orthogonal grid, halves with staggered columns and keys for the thumbs, wells, angled
halves, small boards and pads. Pitch 19.05 mm, caps of 18 mm; staggers, angles and depths are common ones, no source.

usage: generic-boards.py CATALOGUE.json   (replaces the models of the same ids)
"""
import json, math, sys

PITCH, CAP = 19.05, 18.0
LEFT = [["Backquote", "Tab", "ControlLeft", "ShiftLeft"], ["Digit1", "KeyQ", "KeyA", "KeyZ"], ["Digit2", "KeyW", "KeyS", "KeyX"],
        ["Digit3", "KeyE", "KeyD", "KeyC"], ["Digit4", "KeyR", "KeyF", "KeyV"], ["Digit5", "KeyT", "KeyG", "KeyB"]]
RIGHT = [["Minus", "Backslash", "Quote", "ShiftRight"], ["Digit0", "KeyP", "Semicolon", "Slash"],
         ["Digit9", "KeyO", "KeyL", "Period"], ["Digit8", "KeyI", "KeyK", "Comma"], ["Digit7", "KeyU", "KeyJ", "KeyM"],
         ["Digit6", "KeyY", "KeyH", "KeyN"]]
# how far each column lies nearer than the middle finger's, from the outside, mm
STAGGER = [14, 14, 5, 0, 4, 7]
# thumb keys of a half: from the inner column's lower corner, mm, and their turn, degrees
THUMBS = {3: [(-13, 14, 0), (7, 17, 12), (26, 24, 24)],
          6: [(-13, 14, 0), (7, 17, 12), (26, 24, 24), (34, 5, 24), (-10, 34, 0), (18, 42, 24)]}
THUMB_CODES = {3: (["MetaLeft", "AltLeft", "Space"], ["AltRight", "Enter", "Backspace"]),
               6: (["AltLeft", "Space", "Backspace", "Escape", "MetaLeft", "Delete"],
                   ["AltRight", "Enter", "Space", "End", "ControlRight", "Home"])}


def key(code, x, y, turn=0, w=CAP, h=CAP, z=0, thumb=False, ident=None, name=""):
    part = {"id": ident or code, "name": name, "type": "key", "at": [round(x, 3), round(y, 3)], "size": [round(w, 3), round(h, 3)]}
    if code:
        part["code"] = code
    if turn:
        part["turn"] = round(turn, 2)
    if z:
        part["z"] = round(z, 2)
    if thumb:
        part["thumb"] = True
    return part


def half(columns, thumbs, codes, side, tilt=0, stagger=STAGGER, depth=0):
    """Keys of a left half from its back left corner; a right one is its mirror image about x = 0."""
    keys = []
    for c, column in enumerate(columns):
        for r, code in enumerate(column):
            bowl = depth * ((r - 2) ** 2 + (c - 3) ** 2 / 2) / 4
            keys.append(key(code, (c + 0.5) * PITCH, (r + 0.5) * PITCH + stagger[c], z=bowl))
    inner = (len(columns) - 0.5) * PITCH, len(columns[0]) * PITCH + stagger[-1]
    for (dx, dy, turn), code in zip(thumbs, codes):
        keys.append(key(code, inner[0] + dx, inner[1] + dy, turn, thumb=True))
    for k in keys:
        if tilt:
            a = math.radians(tilt)
            x, y = k["at"]
            k["at"] = [round(x * math.cos(a) - y * math.sin(a), 3), round(x * math.sin(a) + y * math.cos(a), 3)]
            k["turn"] = round(k.get("turn", 0) + tilt, 2)
        if side == "right":
            k["at"][0] = round(-k["at"][0], 3)
            if k.get("turn"):
                k["turn"] = -k["turn"]
    return keys


def model(ident, name, form, keys, edge=6):
    seen = {}
    for k in keys:
        seen[k["id"]] = seen.get(k["id"], 0) + 1
        if seen[k["id"]] > 1:
            k["id"] = f'{k["id"]}-{seen[k["id"]]}'
    corner = lambda k: math.hypot(*k["size"]) / 2 if k.get("turn") else None
    x0 = min(k["at"][0] - (corner(k) or k["size"][0] / 2) for k in keys) - edge
    y0 = min(k["at"][1] - (corner(k) or k["size"][1] / 2) for k in keys) - edge
    for k in keys:
        k["at"] = [round(k["at"][0] - x0, 3), round(k["at"][1] - y0, 3)]
    size = [round(max(k["at"][i] + (corner(k) or k["size"][i] / 2) for k in keys) + edge, 2) for i in (0, 1)]
    return {"id": ident, "name": name, "form": form, "size": size, "parts": keys}


def split(ident, name, thumbs, gap, tilt=0, depth=0):
    left_codes, right_codes = THUMB_CODES[thumbs]
    left = half(LEFT, THUMBS[thumbs], left_codes, "left", tilt, depth=depth)
    right = half(RIGHT, THUMBS[thumbs], right_codes, "right", tilt, depth=depth)
    shift = max(k["at"][0] for k in left) - min(k["at"][0] for k in right) + gap + CAP
    for k in right:
        k["at"][0] = round(k["at"][0] + shift, 3)
    return model(ident, name, "keyboard", left + right)


def grid(rows, x_of=lambda r, c: (c + 0.5) * PITCH):
    return [key(code, x_of(r, c), (r + 0.5) * PITCH, thumb=r == len(rows) - 1) for r, row in enumerate(rows)
            for c, code in enumerate(row.split()) if code != "_"]


def staggered(rows):
    keys = []
    for r, (start, row) in enumerate(rows):
        x = start
        for word in row.split():
            code, _, width = word.partition("*")
            units = float(width or 1)
            if code != "_":
                keys.append(key(code, (x + units / 2) * PITCH, (r + 0.5) * PITCH, w=units * PITCH - 1.05,
                                thumb=r == len(rows) - 1))
            x += units
    return keys


def models():
    yield model("ortho-60", "Keyboard, straight columns, 60 keys", "keyboard", grid([
        "Backquote Digit1 Digit2 Digit3 Digit4 Digit5 Digit6 Digit7 Digit8 Digit9 Digit0 Backspace",
        "Tab KeyQ KeyW KeyE KeyR KeyT KeyY KeyU KeyI KeyO KeyP Backslash",
        "Escape KeyA KeyS KeyD KeyF KeyG KeyH KeyJ KeyK KeyL Semicolon Quote",
        "ShiftLeft KeyZ KeyX KeyC KeyV KeyB KeyN KeyM Comma Period Slash Enter",
        "ControlLeft MetaLeft AltLeft Delete Minus Space Space AltRight ArrowLeft ArrowDown ArrowUp ArrowRight"]))
    yield split("split-54", "Split keyboard, staggered columns, 3 thumb keys a side", 3, 60)
    yield split("split-60", "Split keyboard, staggered columns, 6 thumb keys a side", 6, 60)
    yield split("wells-60", "Contoured keyboard with wells, 6 thumb keys a side", 6, 90, depth=3)
    yield split("angled-54", "Angled halves in one case, 3 thumb keys a side", 3, 6, tilt=12)
    yield model("half-30", "One-hand half, 6 thumb keys", "keyboard", half(LEFT, THUMBS[6], THUMB_CODES[6][0], "left"))
    yield model("board-61", "Keyboard, 60 per cent", "keyboard", staggered([
        (0, "Backquote Digit1 Digit2 Digit3 Digit4 Digit5 Digit6 Digit7 Digit8 Digit9 Digit0 Minus Equal Backspace*2"),
        (0, "Tab*1.5 KeyQ KeyW KeyE KeyR KeyT KeyY KeyU KeyI KeyO KeyP BracketLeft BracketRight Backslash*1.5"),
        (0, "CapsLock*1.75 KeyA KeyS KeyD KeyF KeyG KeyH KeyJ KeyK KeyL Semicolon Quote Enter*2.25"),
        (0, "ShiftLeft*2.25 KeyZ KeyX KeyC KeyV KeyB KeyN KeyM Comma Period Slash ShiftRight*2.75"),
        (0, "ControlLeft*1.25 MetaLeft*1.25 AltLeft*1.25 Space*6.25 AltRight*1.25 MetaRight*1.25 ContextMenu*1.25 ControlRight*1.25")]))
    yield model("board-47", "Keyboard, 40 per cent", "keyboard", staggered([
        (0, "Escape KeyQ KeyW KeyE KeyR KeyT KeyY KeyU KeyI KeyO KeyP Backspace*1.75"),
        (0, "Tab*1.25 KeyA KeyS KeyD KeyF KeyG KeyH KeyJ KeyK KeyL Semicolon Enter*1.5"),
        (0, "ShiftLeft*1.75 KeyZ KeyX KeyC KeyV KeyB KeyN KeyM Comma Period Slash ShiftRight"),
        (0, "ControlLeft*1.25 MetaLeft AltLeft*1.25 Delete Space*2.75 Space*2.25 AltRight*1.25 MetaRight ControlRight")]))
    large = [key(None, (c + 0.5) * PITCH, (r + 0.5) * PITCH + [6, 2, 0, 3, 5][c], ident=f"k{r * 5 + c + 1}", name=f"{r * 5 + c + 1}")
             for r in range(4) for c in range(5)]
    large += [key(None, 4.5 * PITCH + dx, 4 * PITCH + 5 + dy, turn, thumb=True, ident=f"t{i + 1}", name=f"T{i + 1}")
              for i, (dx, dy, turn) in enumerate([(-13, 14, 0), (7, 17, 12), (26, 24, 24), (18, 42, 24)])]
    yield model("pad-24", "Large pad with thumb keys", "pad", large)


if __name__ == "__main__":
    path = sys.argv[1]
    catalogue = json.load(open(path))
    made = list(models())
    ids = {m["id"] for m in made}
    catalogue["models"] = [m for m in catalogue["models"] if m["id"] not in ids] + made
    json.dump(catalogue, open(path, "w"), indent=1, ensure_ascii=False)
    open(path, "a").write("\n")
