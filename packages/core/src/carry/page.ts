import { escapeUTF8 } from 'entities'
import { deviceTitle, type BenchControl } from '../bench/index.js'
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
export function pageForOthers(model: Pick<PreparedModel, 'plan' | 'arrangement' | 'bench' | 'env'>): string {
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
${drawings(model)}
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

const edgeMm = 2
/** Text on keys is 9 px or more at this scale. */
const pxPerMm = 3.6
const n = (x: number): string => String(Math.round(x * 10) / 10)

/** Each device for itself, as it stands on the desk, large enough to be read; wide ones are scrolled. */
function drawings({ env, plan, bench }: Pick<PreparedModel, 'env' | 'plan' | 'bench'>): string {
  return bench.devices
    .flatMap(({ deviceId }) => {
      const device = plan.devices.find((d) => d.id === deviceId)
      const shown = env.controls.filter((c) => c.deviceId === deviceId && c.type !== 'field')
      return device && shown.length > 0 ? [drawing(deviceTitle(device), shown, env)] : []
    })
    .join('\n')
}

function drawing(title: string, shown: readonly BenchControl[], env: PreparedModel['env']): string {
  const [x0, x1] = [
    Math.min(...shown.map((c) => c.xMm - c.widthMm / 2)),
    Math.max(...shown.map((c) => c.xMm + c.widthMm / 2)),
  ]
  const [y0, y1] = [
    Math.min(...shown.map((c) => c.yMm - c.heightMm / 2)),
    Math.max(...shown.map((c) => c.yMm + c.heightMm / 2)),
  ]
  const [w, h] = [x1 - x0 + 2 * edgeMm, y1 - y0 + 2 * edgeMm]
  const box = [x0 - edgeMm, y0 - edgeMm, w, h].map(n).join(' ')
  return `<figure><figcaption>${html(title)}</figcaption><div tabindex="0" role="region" aria-label="${html(title)}, drawn"><svg viewBox="${box}" width="${n(w * pxPerMm)}" height="${n(h * pxPerMm)}" role="img" aria-label="${html(title)}: what is on its keys is in the list below">${shown.map((c) => cap(c, env)).join('')}</svg></div></figure>`
}

function cap(c: BenchControl, env: PreparedModel['env']): string {
  const [w, h] = [c.capWidthMm, c.capHeightMm]
  const legend =
    c.code === null
      ? (c.name ?? c.controlId).replace(/^(?:key|button) (?=\d)/, '')
      : keyLegend(c.code, env.layout, env.systemId)
  const shape =
    c.round === true
      ? `<ellipse rx="${n(w / 2)}" ry="${n(h / 2)}"/>`
      : `<rect x="${n(-w / 2)}" y="${n(-h / 2)}" width="${n(w)}" height="${n(h)}" rx=".6"/>`
  const turn = c.turnDeg === 0 ? '' : ` rotate(${n(c.turnDeg)})`
  const short = legend.slice(0, Math.max(1, Math.floor(w / 1.6)))
  return `<g data-ref="${html(refOf(c))}" data-w="${n(w)}" transform="translate(${n(c.xMm)} ${n(c.yMm)})${turn}"><title></title>${shape}<text x="${n(-w / 2 + 0.9)}" y="${n(-h / 2 + 3.1)}">${html(short)}</text><text class="on" x="${n(-w / 2 + 0.8)}" y="${n(h / 2 - 1.2)}"></text></g>`
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
figure{margin:14px 0 0}figcaption{color:var(--ink2);font-size:12px}figure div{overflow-x:auto;background:var(--paper);border:1px solid var(--rule)}svg{display:block}svg rect,svg ellipse{fill:var(--key);stroke:var(--ink2);stroke-width:.25}
.taken rect,.taken ellipse{fill:var(--reach)}.pressed rect,.pressed ellipse{stroke:var(--magenta);stroke-width:.9}
svg text{font-size:2.7px;fill:var(--ink)}svg .on{font-size:2.5px}
main{padding:4px 18px 30px}table{border-collapse:collapse;width:100%;max-width:900px}
th,td{text-align:left;padding:4px 14px 4px 0;border-bottom:1px solid var(--rule);font-weight:400;vertical-align:top}thead th{color:var(--ink2);font-size:12px}
.key{font-weight:600;white-space:nowrap}tr.hit{background:var(--reach)}
@media print{#tools{display:none}svg{max-width:100%;height:auto}body{background:#fff}section{break-before:page}}
`
