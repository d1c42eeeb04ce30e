import type { SVGProps } from 'react'

/** The outline of a cap about its centre, mm: a rectangle, round, or a shape of its own. */
export function CapShape({
  widthMm,
  heightMm,
  isRound = false,
  outlineMm,
  ...look
}: {
  widthMm: number
  heightMm: number
  isRound?: boolean | undefined
  outlineMm?: readonly (readonly [number, number])[] | undefined
} & Pick<SVGProps<SVGElement>, 'className' | 'fill' | 'stroke' | 'strokeWidth'>) {
  if (outlineMm) return <polygon points={outlineMm.join(' ')} strokeLinejoin="round" {...look} />
  return (
    <rect
      x={-widthMm / 2}
      y={-heightMm / 2}
      width={widthMm}
      height={heightMm}
      rx={isRound ? Math.min(widthMm, heightMm) / 2 : 0.8}
      {...look}
    />
  )
}
