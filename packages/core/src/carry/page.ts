import { escapeUTF8 } from 'entities'
import type { BenchControl } from '../bench/index.js'
import type { Command } from '../commands/index.js'
import type { PreparedModel } from '../model/index.js'
import {
  controlRefOf,
  heldOf,
  keyLegend,
  modifierName,
  triggerName,
  type Modifier,
  type Trigger,
} from '../triggers/index.js'
import { pageScript } from './page-script.js'

/** A trigger of a command as the page has it: short names keep it small. */
interface PageEntry {
  /** program, contexts, command, short name, menu, key in words */
  readonly p: string
  readonly c: string
  readonly n: string
  readonly l: string
  readonly m: string
  readonly k: string
  /** the control, and what is held with it */
  readonly r: string
  readonly h: string
}

const html = escapeUTF8
/** A script's end within data would end the script. */
const asData = (value: unknown): string => JSON.stringify(value).replaceAll('<', String.raw`\u003c`)

const refOf = (c: Pick<BenchControl, 'code' | 'id'>): string => c.code ?? c.id

/**
 * One HTML page of an arrangement for people without the app: its benches' controls to scale, every trigger as a list, a search, and "press a key".
 * It loads nothing; without scripts the list and the drawing of keys without modifiers remain.
 */
export function pageForOthers(model: Pick<PreparedModel, 'plan' | 'arrangement' | 'env' | 'index'>): string {
  const { plan, arrangement, env } = model
  const entries = entriesOf(model)
  const title = `${plan.name}: ${arrangement.name}`
  const sets = [...new Set(entries.map((e) => e.h))].sort((a, b) => a.length - b.length || (a < b ? -1 : 1))
  const wordsOf = (held: string): string =>
    held === ''
      ? 'No modifier'
      : held
          .split('+')
          .map((m) => modifierName(m as Modifier, env.systemId))
          .join('+')
  return `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<meta http-equiv="Content-Security-Policy" content="default-src 'none'; style-src 'unsafe-inline'; script-src 'unsafe-inline'">
<title>${html(title)}</title>
<style>${style}</style>
</head>
<body>
<header><h1>${html(plan.name)}</h1><p>${html(arrangement.name)}</p></header>
<div id="tools" role="search" aria-label="Keys" hidden>
<label>Program <select id="program"><option value="">all</option>${plan.programs.map((p) => `<option>${html(p.name)}</option>`).join('')}</select></label>
<label>Held <select id="levels">${sets.map((s) => `<option value="${html(s)}">${html(wordsOf(s))}</option>`).join('')}</select></label>
<label>Find <input id="find" type="search"></label>
<p id="said" role="status">Press a key to see what it does.</p>
</div>
<main>
${drawing(env.controls, model)}
${plan.programs.map((p) => programPart(p.name, entries)).join('\n')}
</main>
<script type="application/json" id="data">${asData(entries)}</script>
<script>${pageScript}</script>
</body>
</html>
`
}

function entriesOf({
  plan,
  arrangement,
  env,
}: Pick<PreparedModel, 'plan' | 'arrangement' | 'env'>): PageEntry[] {
  const commands = new Map(plan.commands.map((c) => [c.id as string, c]))
  const programs = new Map(plan.programs.map((p) => [p.id as string, p]))
  const contextsOf = (c: Command, ids: readonly string[]): string =>
    (programs.get(c.programId)?.contexts ?? [])
      .filter((x) => ids.includes(x.id))
      .map((x) => x.name)
      .join(', ')
  return arrangement.placements
    .flatMap((p): PageEntry[] => {
      const command = commands.get(p.commandId)
      if (!command) return []
      const name = [command.name, command.parameter].filter(Boolean).join(' ')
      return [
        {
          p: programs.get(command.programId)?.name ?? '',
          c: contextsOf(command, p.contextIds ?? command.contextIds),
          n: name,
          l: command.label ?? name,
          m: command.menu.join(' › '),
          k: triggerName(p.trigger, env),
          r: refOfTrigger(p.trigger),
          h: heldOf(p.trigger).join('+'),
        },
      ]
    })
    .sort((a, b) => (a.n.toLowerCase() < b.n.toLowerCase() ? -1 : 1))
}

/** The control that a trigger is worked on; of a sequence its first key. */
const refOfTrigger = (trigger: Trigger): string =>
  trigger.kind === 'sequence' ? (trigger.chords[0]?.code ?? '') : (controlRefOf(trigger) ?? '')

const programPart = (name: string, entries: readonly PageEntry[]): string => `<section data-p="${html(name)}">
<h2>${html(name)}</h2>
<table>
<thead><tr><th scope="col">Command</th><th scope="col">Keys</th><th scope="col">Where</th><th scope="col">Menu</th></tr></thead>
<tbody>
${entries.flatMap((e, i) => (e.p === name ? [`<tr data-n="${i}"><th scope="row">${html(e.n)}</th><td class="key">${html(e.k)}</td><td>${html(e.c)}</td><td>${html(e.m)}</td></tr>`] : [])).join('\n')}
</tbody>
</table>
</section>`

const edgeMm = 6

function drawing(controls: readonly BenchControl[], { env }: Pick<PreparedModel, 'env'>): string {
  const shown = controls.filter((c) => c.type !== 'field')
  if (shown.length === 0) return ''
  const half = (c: BenchControl): number => Math.hypot(c.capWidthMm, c.capHeightMm) / 2
  const [x0, x1] = [
    Math.min(...shown.map((c) => c.xMm - half(c))),
    Math.max(...shown.map((c) => c.xMm + half(c))),
  ]
  const [y0, y1] = [
    Math.min(...shown.map((c) => c.yMm - half(c))),
    Math.max(...shown.map((c) => c.yMm + half(c))),
  ]
  const n = (x: number): string => String(Math.round(x * 10) / 10)
  const cap = (c: BenchControl): string => {
    const [w, h] = [c.capWidthMm, c.capHeightMm]
    const legend = c.code === null ? (c.name ?? c.controlId) : keyLegend(c.code, env.layout, env.systemId)
    const shape =
      c.round === true
        ? `<ellipse rx="${n(w / 2)}" ry="${n(h / 2)}"/>`
        : `<rect x="${n(-w / 2)}" y="${n(-h / 2)}" width="${n(w)}" height="${n(h)}" rx=".6"/>`
    return `<g data-ref="${html(refOf(c))}" data-w="${n(w)}" transform="translate(${n(c.xMm)} ${n(c.yMm)})${c.turnDeg === 0 ? '' : ` rotate(${n(c.turnDeg)})`}"><title></title>${shape}<text x="${n(-w / 2 + 0.9)}" y="${n(-h / 2 + 3)}">${html(legend.slice(0, Math.max(1, Math.floor(w / 1.6))))}</text><text class="on" x="${n(-w / 2 + 0.8)}" y="${n(h / 2 - 1.2)}"></text></g>`
  }
  const box = [x0 - edgeMm, y0 - edgeMm, x1 - x0 + 2 * edgeMm, y1 - y0 + 2 * edgeMm].map(n).join(' ')
  return `<svg viewBox="${box}" role="img" aria-label="The bench to scale; every key is in the list below">${shown.map(cap).join('')}</svg>`
}

const style = `
:root{--paper:#F5F2E8;--panel:#FBF9F3;--key:#FDFBF5;--ink:#16283A;--ink2:#566673;--rule:#D2CBB8;--magenta:#A81E5E;--reach:#BBDDD8}
@media (prefers-color-scheme:dark){:root{--paper:#0F1A22;--panel:#13212B;--key:#182833;--ink:#E3E9EA;--ink2:#8FA3AE;--rule:#2A3C48;--magenta:#F08AB4;--reach:#1C4A52}}
body{margin:0;background:var(--panel);color:var(--ink);font:14px/1.45 system-ui,sans-serif}
header{padding:14px 18px;border-bottom:1px solid var(--ink)}h1{margin:0;font-size:20px}header p{margin:2px 0 0;color:var(--ink2)}
#tools{display:flex;flex-wrap:wrap;gap:8px 18px;align-items:center;padding:10px 18px;border-bottom:1px solid var(--rule);position:sticky;top:0;background:var(--panel)}
#tools[hidden]{display:none}#said{margin:0;min-width:260px}
select,input{font:inherit;color:inherit;background:var(--panel);border:1px solid var(--ink2);border-radius:2px;padding:3px 6px}
:focus-visible{outline:2px solid var(--magenta);outline-offset:1px}
svg{display:block;width:calc(100% + 36px);margin:0 -18px;max-height:46vh;background:var(--paper)}svg rect,svg ellipse{fill:var(--key);stroke:var(--ink2);stroke-width:.25}
.taken rect,.taken ellipse{fill:var(--reach)}.pressed rect,.pressed ellipse{stroke:var(--magenta);stroke-width:.9}
svg text{font-size:2.7px;fill:var(--ink)}svg .on{font-size:2.3px}
main{padding:4px 18px 30px}table{border-collapse:collapse;width:100%;max-width:900px}
th,td{text-align:left;padding:4px 14px 4px 0;border-bottom:1px solid var(--rule);font-weight:400;vertical-align:top}thead th{color:var(--ink2);font-size:12px}
.key{font-weight:600;white-space:nowrap}tr.hit{background:var(--reach)}
@media print{#tools{display:none}svg{max-height:none}body{background:#fff}section{break-before:page}}
`
