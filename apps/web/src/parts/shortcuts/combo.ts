/**
 * Combinations of the app's own shortcuts, by the character that the key types on the person's layout: `?`, `Control+z`,
 * `Control+Shift+z`, `F8`. Shift is part of the character for a sign typed bare, and stands as a word otherwise.
 */
export function comboOf(
  event: Pick<KeyboardEvent, 'key' | 'ctrlKey' | 'altKey' | 'shiftKey' | 'metaKey'>,
): string | null {
  const { key } = event
  if (['Shift', 'Control', 'Alt', 'Meta', 'AltGraph', 'Dead', 'Process', 'Unidentified'].includes(key))
    return null
  const held = [event.ctrlKey && 'Control', event.altKey && 'Alt', event.metaKey && 'Meta'].filter(Boolean)
  const isSign = [...key].length === 1
  if (isSign && held.length === 0) return key === ' ' ? 'Space' : key
  if (event.shiftKey) held.push('Shift')
  return [...held, key === ' ' ? 'Space' : isSign ? key.toLowerCase() : key].join('+')
}

/** A combination as it is shown: `Ctrl+Shift+Z`. */
export const comboName = (combo: string): string =>
  combo
    .split(/\+(?=.)/)
    .map((part) => (part === 'Control' ? 'Ctrl' : part))
    .join('+')
