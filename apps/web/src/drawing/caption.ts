/** Text on keys is set in this size, in mm on the desk, so that it grows with the chart. */
export const captionMm = 3.55
/** From line to line of it, mm. */
export const captionLineMm = 3.5
/** Text on keys is at least so large when the chart is first shown, px. */
export const leastCaptionPx = 9
export const legendMm = 3.3

let context: CanvasRenderingContext2D | null = null
const widths = new Map<string, number>()

/** Width of a text in the chart's face at caption size, mm. */
function widthMm(text: string): number {
  let width = widths.get(text)
  if (width === undefined) {
    context ??= document.createElement('canvas').getContext('2d')
    if (!context) return text.length * captionMm * 0.4
    context.font = '500 100px "Barlow Condensed"'
    width = (context.measureText(text).width / 100) * captionMm
    widths.set(text, width)
  }
  return width
}

/** A text broken into at most `lineCount` lines of `roomMm`; what does not fit ends in an ellipsis. */
export function captionLines(text: string, roomMm: number, lineCount: number): string[] {
  const lines: string[] = []
  for (const word of text.split(' ')) {
    const last = lines.at(-1)
    if (last !== undefined && widthMm(`${last} ${word}`) <= roomMm)
      lines[lines.length - 1] = `${last} ${word}`
    else lines.push(word)
  }
  const cut = lines.length > lineCount
  return lines.slice(0, lineCount).map((line, i) => {
    const more = cut && i === lineCount - 1
    if (!more && widthMm(line) <= roomMm) return line
    let end = line.length
    while (end > 1 && widthMm(`${line.slice(0, end)}…`) > roomMm) end--
    return `${line.slice(0, end).trimEnd()}…`
  })
}
