/** Reference data as typed values. The core takes them as arguments and never imports them. */
import browserKeysData from './browser/keys.json'
import deviceData from './devices/catalogue.json'
import br from './layouts/br.json'
import ch from './layouts/ch.json'
import chFr from './layouts/ch-fr.json'
import cz from './layouts/cz.json'
import de from './layouts/de.json'
import dk from './layouts/dk.json'
import es from './layouts/es.json'
import fr from './layouts/fr.json'
import frBepo from './layouts/fr-bepo.json'
import gb from './layouts/gb.json'
import itLayout from './layouts/it.json'
import jp from './layouts/jp.json'
import no from './layouts/no.json'
import pl from './layouts/pl.json'
import pt from './layouts/pt.json'
import se from './layouts/se.json'
import us from './layouts/us.json'
import usDvorak from './layouts/us-dvorak.json'
import usIntl from './layouts/us-intl.json'
import handSpanData from './reference/hand-span.json'
import codesData from './reference/w3c-codes.json'
import standardKeysData from './standard/keys.json'
import cinnamon from './system/cinnamon.json'
import gnome from './system/gnome.json'
import i3 from './system/i3.json'
import ibus from './system/ibus.json'
import kde from './system/kde.json'
import lxqt from './system/lxqt.json'
import macos from './system/macos.json'
import mate from './system/mate.json'
import openbox from './system/openbox.json'
import sway from './system/sway.json'
import windows from './system/windows.json'
import xfce from './system/xfce.json'
import terminalData from './terminal/keys.json'
import keyWordsData from './words/keys.json'
import keyNamesData from './words/keysyms.json'

/** One national layout: for each W3C code its characters at levels 1 to 4 (bare, Shift, AltGr, Shift+AltGr). */
export interface LayoutData {
  readonly id: string
  readonly name: string
  readonly altGraph: boolean
  readonly source: string
  readonly keys: Readonly<Record<string, readonly (string | null)[]>>
}

/** Combinations that a system or desktop takes before a program sees them. */
export interface SystemKeysData {
  readonly id: string
  readonly name: string
  readonly source: string
  readonly keys: readonly SystemKeyData[]
}

export interface SystemKeyData {
  readonly modifiers: readonly string[]
  readonly code?: string
  readonly char?: string
  /** a press where left out; `tap5` and `hold` for keys that are repeated or held */
  readonly act?: string
  readonly action: string
  /** what it is for: windows, session, screenshots, input language, accessibility, other */
  readonly area?: string
  /** name of the setting that changes it */
  readonly id?: string
}

const all: readonly unknown[] = [
  us,
  gb,
  de,
  ch,
  chFr,
  fr,
  frBepo,
  es,
  pt,
  br,
  itLayout,
  pl,
  cz,
  dk,
  no,
  se,
  jp,
  usIntl,
  usDvorak,
]

export const layouts: readonly LayoutData[] = all as readonly LayoutData[]
export const systems = [
  gnome,
  kde,
  xfce,
  cinnamon,
  mate,
  lxqt,
  sway,
  i3,
  openbox,
  windows,
  macos,
] as readonly SystemKeysData[]
/** Input methods, which take keys above any desktop. */
export const inputMethods = [ibus] as readonly SystemKeysData[]
export const handSpan = handSpanData
/** Every W3C UI Events `code` with its evdev number and HID usage. */
export const w3cCodes: Readonly<
  Record<string, { readonly evdev: number | null; readonly hid: number | null; readonly linux?: string }>
> = codesData.codes

/** A combination of a browser: `accel+Shift+p`, where accel is Control, on macOS Command. */
export interface BrowserKeyData {
  readonly keys: string
  /** no page can take it for itself */
  readonly reserved: boolean
  readonly does?: string
  /** `linux`, `windows`, `macos`; everywhere where left out */
  readonly systems?: readonly string[]
}

export const browserKeys: readonly BrowserKeyData[] = browserKeysData.keys

/** The same on every system, as the app writes its own shortcuts: `Control+Shift+p`. */
export const browserCombos: readonly string[] = browserKeys.flatMap(({ keys }) =>
  keys.startsWith('accel+') ? [keys.replace('accel', 'Control'), keys.replace('accel', 'Meta')] : [keys],
)

/** Standard actions with their keys by system. */
export const standardKeys = standardKeysData.actions
/** What a terminal sends, and the special characters of its line discipline. */
export const terminal: {
  readonly terminfo: Readonly<Record<string, string>>
  readonly lineDiscipline: Readonly<Record<string, string>>
} = terminalData

/** Words for keys in 34 languages. */
export const keyWords = keyWordsData.words as unknown as Readonly<
  Record<string, Readonly<Record<string, readonly string[]>>>
>

/** Names of keys and characters in configuration files. */
export const keyNames: {
  readonly codes: Readonly<Record<string, string>>
  readonly characters: Readonly<Record<string, string>>
} = keyNamesData

/** All that a plan's ids point into, and what surrounds its programs. */
export const catalogues = {
  layouts,
  systems,
  browserKeys,
  terminal,
  standardKeys,
  inputMethods,
  keyWords,
  keyNames,
}

/** A device of the catalogue: outline and controls, single or in grids, mm. */
export interface DeviceModelData {
  readonly id: string
  readonly name: string
  readonly form:
    'keyboard' | 'keypad' | 'pad' | 'deck' | 'tablet' | 'pen' | 'mouse' | 'trackball' | 'touch' | 'other'
  readonly size: readonly [number, number]
  readonly pages?: number
  readonly parts: readonly (GridData | SingleData)[]
}
interface PartData {
  readonly name: string
  readonly type: 'key' | 'button' | 'dial' | 'wheel' | 'zone' | 'field'
  readonly at: readonly [number, number]
  readonly size: readonly [number, number]
  readonly shape?: 'rect' | 'round'
}
interface GridData extends PartData {
  readonly grid: readonly [number, number]
  readonly step: readonly [number, number]
  readonly prefix: string
}
interface SingleData extends PartData {
  readonly id: string
  readonly code?: string
  readonly thumb?: boolean
  readonly clicks?: boolean
  readonly directions?: 2 | 4 | 6 | 8 | 12
}

/** Devices other than keyboards. */
export const deviceModels = deviceData.models as unknown as readonly DeviceModelData[]
