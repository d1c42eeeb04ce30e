import { memo } from 'react'
import type { Drawing, LabelFont, Mark } from '@reach-plot/core/drawing'

/** The marks of a drawing as SVG elements in its millimetres, exactly as the files show them. */
export const DrawingMarks = memo(function DrawingMarks({
  marks,
  font,
}: {
  marks: Drawing['marks']
  font: LabelFont
}) {
  return marks.map((mark, i) => <OneMark key={i} mark={mark} font={font} />)
})

function OneMark({ mark, font }: { mark: Mark; font: LabelFont }) {
  if (mark.kind === 'group')
    return (
      <g transform={`translate(${mark.xMm} ${mark.yMm})`} data-label={mark.id}>
        <DrawingMarks marks={mark.marks} font={font} />
      </g>
    )
  if (mark.kind === 'text')
    return <path d={font.outline(mark.text, mark.capMm, mark.xMm, mark.baselineMm)} fill={mark.colour} />
  return (
    <path
      d={mark.d}
      transform={`translate(${mark.xMm} ${mark.yMm}) scale(${mark.scale})`}
      fill={mark.fill ?? 'none'}
      stroke={mark.stroke ?? 'none'}
      strokeWidth={mark.strokeMm / mark.scale}
      strokeLinecap="round"
      strokeLinejoin="round"
    />
  )
}
