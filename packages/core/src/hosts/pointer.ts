import type { Control, Device } from '../bench/index.js'
import type { Program } from '../commands/index.js'
import {
  controlRefOf,
  heldOf,
  isLinuxDesktop,
  sortModifiers,
  type Modifier,
  type SystemId,
  type Trigger,
} from '../triggers/index.js'
import type { StageTake } from './take.js'

/** What a control of a mouse or trackball is for systems and programs. */
export const pointerRoles = ['main', 'menu', 'middle', 'wheel', 'back', 'forward'] as const
export type PointerRole = (typeof pointerRoles)[number]

/** The role of a control of a pointing device; null for other controls, such as a third side button. */
export function pointerRole(
  trigger: Trigger,
  devices: readonly Device[],
  controls: readonly Control[],
): PointerRole | null {
  if (!('deviceId' in trigger) || trigger.kind === 'stroke') return null
  const device = devices.find((d) => d.id === trigger.deviceId)
  if (device?.kind !== 'drawn' || (device.form !== 'mouse' && device.form !== 'trackball')) return null
  const drawn = device.controls.find((c) => c.id === trigger.controlId)
  const onBench = controls.some((c) => c.id === controlRefOf(trigger))
  if (!drawn || !onBench) return null
  if (drawn.type === 'wheel') return trigger.kind === 'turn' ? 'wheel' : 'middle'
  if (drawn.clicks === true) {
    const clicking = device.controls.filter((c) => c.clicks === true && c.type !== 'wheel')
    return (['main', 'menu', 'middle'] as const)[clicking.indexOf(drawn)] ?? null
  }
  const says = `${drawn.id} ${drawn.name}`.toLowerCase()
  return says.includes('back') ? 'back' : says.includes('forward') ? 'forward' : null
}

/** The modifier with which a desktop moves and resizes windows by the mouse. */
const windowModifier: Partial<Readonly<Record<SystemId, Modifier>>> = {
  // org.gnome.desktop.wm.preferences mouse-button-modifier of gsettings-desktop-schemas 43
  gnome: 'Meta',
  // the others from memory
  kde: 'Meta',
  sway: 'Meta',
  cinnamon: 'Alt',
  mate: 'Alt',
  xfce: 'Alt',
  lxqt: 'Alt',
  openbox: 'Alt',
  i3: 'Alt',
}

/** What programs do with the pointer themselves, by the modifiers held. Common practice, no source. */
const programUses: Readonly<Record<PointerRole, Readonly<Record<string, string>>>> = {
  main: {
    '': 'click',
    Shift: 'extend the selection',
    Control: 'add to the selection',
    Meta: 'add to the selection',
  },
  menu: { '': 'open the menu of what is under the pointer' },
  middle: { '': 'paste, or move the view' },
  wheel: { '': 'scroll', Shift: 'scroll sideways', Control: 'zoom' },
  back: {},
  forward: {},
}

/** `Control+wheel`: how a plan writes an act of the pointer that a program leaves free. */
export const pointerAct = (role: PointerRole, held: readonly Modifier[]): string =>
  [...sortModifiers(held), role].join('+')

/** Who takes an act of the pointer, the system first; none where a command can have it. */
export function pointerTakes(
  trigger: Trigger,
  role: PointerRole,
  program: Program,
  systemId: SystemId,
  systemName: string,
): StageTake[] {
  const held = sortModifiers(heldOf(trigger))
  const takes: StageTake[] = []
  const moves = windowModifier[systemId]
  if (
    moves !== undefined &&
    held.length === 1 &&
    held[0] === moves &&
    ['main', 'menu', 'middle'].includes(role)
  )
    takes.push({
      stage: 'system',
      kind: 'pointer-system',
      severity: 'blocks',
      by: systemName,
      does: 'move or resize the window',
      remedy:
        systemId === 'gnome'
          ? 'gsettings set org.gnome.desktop.wm.preferences mouse-button-modifier disabled'
          : 'Choose another modifier for windows in the settings of the desktop.',
      evidence: systemId === 'gnome' ? 'catalogue' : 'from memory',
    })
  if (program.frees?.includes(pointerAct(role, held)) === true) return takes
  const browser = browserUse(role, held, systemId)
  if (program.host === 'browser' && browser !== null && program.takesHostKeys !== true)
    takes.push({
      stage: 'host',
      kind: 'browser-pointer',
      severity: 'caution',
      by: 'The browser',
      does: browser,
      remedy: `${program.name} can cancel what the browser does with it. Where it does, say so in its settings.`,
      evidence: 'from memory',
    })
  const use = programUses[role][held.join('+')]
  // Command is Control's part on macOS, and no other system's
  const isUsed =
    use !== undefined &&
    !(held[0] === 'Meta' && systemId !== 'macos') &&
    !(held[0] === 'Control' && systemId === 'macos' && role === 'main')
  if (isUsed)
    takes.push({
      stage: 'program',
      kind: 'pointer-program',
      severity: 'shadows',
      by: program.name,
      does: use,
      remedy: `Where ${program.name} leaves it free, say so in its settings.`,
      evidence: 'from memory',
    })
  return takes
}

/** What a browser does with the pointer where the page does not cancel it. */
function browserUse(role: PointerRole, held: readonly Modifier[], systemId: SystemId): string | null {
  const accel: Modifier = systemId === 'macos' ? 'Meta' : 'Control'
  if (held.length === 0) {
    if (role === 'back') return 'go back a page'
    if (role === 'forward') return 'go on a page'
    if (role === 'middle')
      return isLinuxDesktop(systemId)
        ? 'paste, or open a link in a tab'
        : 'scroll by itself, or open a link in a tab'
  }
  if (held.length === 1 && held[0] === accel) {
    if (role === 'wheel') return 'zoom the page'
    if (role === 'main') return 'open a link in a tab'
  }
  return null
}

/** Buttons that click, and the wheel: whatever is held, they belong to the program until it leaves the act free. */
const programsOwn: readonly PointerRole[] = ['main', 'menu', 'middle', 'wheel']

/** Whether an act of the pointer is the program's, so that nothing is proposed for it; by hand it can be placed. */
export function pointerOwned(
  role: PointerRole,
  held: readonly Modifier[],
  program: Program,
): StageTake | null {
  if (!programsOwn.includes(role) || program.frees?.includes(pointerAct(role, held)) === true) return null
  return {
    stage: 'program',
    kind: 'pointer-program',
    severity: 'caution',
    by: program.name,
    does: role === 'wheel' ? 'what its wheel does' : 'what its clicks do',
    remedy: `Where ${program.name} leaves it free, say so in its settings.`,
    evidence: 'from memory',
  }
}
