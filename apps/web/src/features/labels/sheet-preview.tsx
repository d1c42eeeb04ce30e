import {
  checkScaleMm,
  pageEdgeMm,
  modifierSigns,
  signAdvance,
  type LabelFont,
  type LabelSheet,
  type PlacedLabel,
} from '@reach-plot/core'

/** A page of the sheet in true proportion, fitted or in the browser's millimetres. Paper is white by night too. */
export function SheetPreview({
  sheet,
  page,
  font,
  actual,
}: {
  sheet: LabelSheet
  page: number
  font: LabelFont
  actual: boolean
}) {
  const { widthMm, heightMm } = sheet.paper
  const labels = sheet.pages[page] ?? []
  return (
    <svg
      viewBox={`0 0 ${widthMm} ${heightMm}`}
      {...(actual ? { width: `${widthMm}mm`, height: `${heightMm}mm` } : {})}
      className={`shrink-0 border border-edge bg-white ${actual ? '' : 'h-full max-w-full'}`}
      role="img"
      aria-label={`Page ${page + 1} with ${labels.length} labels`}
    >
      {labels.map((label) => (
        <Label key={label.controlId} label={label} font={font} />
      ))}
      <g stroke="#000" strokeWidth={0.2}>
        <path d={`M${pageEdgeMm} ${heightMm - pageEdgeMm} h${checkScaleMm}`} />
        {Array.from({ length: checkScaleMm / 10 + 1 }, (_, i) => (
          <path
            key={i}
            d={`M${pageEdgeMm + 10 * i} ${heightMm - pageEdgeMm} v${i * 10 === checkScaleMm || i === 0 ? -3 : -1.5}`}
          />
        ))}
      </g>
      <text x={pageEdgeMm} y={heightMm - pageEdgeMm - 5} fontSize={2.9} className="font-chart" fill="#000">
        This line is {checkScaleMm} mm long when printed at 100 %.
      </text>
    </svg>
  )
}

function Label({ label, font }: { label: PlacedLabel; font: LabelFont }) {
  return (
    <g transform={`translate(${label.xMm} ${label.yMm})`} data-label={label.controlId}>
      <rect width={label.widthMm} height={label.heightMm} fill="none" stroke="#8c8c8c" strokeWidth={0.15} />
      {label.lines.map((line) => (
        <g key={`${line.baselineMm}`}>
          {line.held.map((modifier, i) => (
            <path
              key={modifier}
              d={modifierSigns[modifier]}
              transform={`translate(${line.xMm - (line.held.length - i) * signAdvance * line.capMm} ${line.baselineMm - line.capMm}) scale(${line.capMm})`}
              fill="#000"
            />
          ))}
          <text
            x={line.xMm}
            y={line.baselineMm}
            fontSize={line.capMm / font.capRatio}
            fontWeight={500}
            className="font-chart"
            fill="#000"
          >
            {line.text}
          </text>
        </g>
      ))}
    </g>
  )
}
