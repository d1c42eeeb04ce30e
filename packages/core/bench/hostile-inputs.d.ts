import { type Plan } from '../src/index.js'
/** Numbers by chance from a seed, 0 up to below 1 (mulberry32). */
export declare function chance(seed: number): () => number
export type Draw = ReturnType<typeof chance>
/** A small plan with a part of every kind, so that every reader and rule has something to do. */
export declare function smallPlan(): Plan
/** Changes a few places of data that is JSON: puts odd values in, drops, doubles and swaps entries. */
export declare function mutatedJson(draw: Draw, data: unknown, times?: number): unknown
/** Changes a text: cuts it, repeats a part of it, puts odd pieces in. */
export declare function mutatedText(draw: Draw, text: string): string
export declare const smallPlanText: () => string
export declare const sampleTexts: {
  readonly commands: 'program,command,contexts,menu,usesPerHour,opposite,note\nMap,Open,everywhere,File > Open,3,,\nMap,Close,Draw;Main,File > Close,"1,5",Open,"a ""note"""\n'
  readonly keys: 'program,command,trigger\nMap,Open,Control+KeyO\nMap,Close,pad/k1\nMap,Zoom in,"Control+KeyK,KeyS"\n'
  readonly log: 'time,program,context,command,how\n2026-05-04T09:00:00Z,Map,Main,Open,key\n2026-05-04T09:00:03Z,Map,Draw,Close,menu\n'
  readonly lines: '{"time":"2026-05-04T09:00:00Z","program":"Map","command":"Open","how":"key"}\n{"time":"2026-05-04T09:00:03Z","program":"Map","command":"Close","how":"menu"}\n'
  readonly dump: "org.gnome.desktop.wm.keybindings close ['<Super>q', '<Alt>F4']\norg.gnome.desktop.wm.keybindings maximize @as []\norg.gnome.settings-daemon.plugins.media-keys home ['<Super>e']\norg.gnome.mutter overlay-key 'Super_L'\n"
  readonly path: 'M1 2 L3 4 h5 v6 C1 2 3 4 5 6 a1 2 0 0 1 3 4 Z'
}
