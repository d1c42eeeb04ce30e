import { expect, test } from 'vitest'
import { CoreError } from '../../src/index.js'
import { deviceFromSvg } from '../../src/device-files/index.js'

const drawing = (attributes: string, body: string): string =>
  `<?xml version="1.0"?><svg xmlns="http://www.w3.org/2000/svg" ${attributes}>${body}</svg>`

const body = `
  <rect id="casing" x="0" y="0" width="200" height="100"/>
  <g transform="translate(10 10)">
    <rect id="KeyA" x="0" y="0" width="36" height="36" rx="3"><title>A</title></rect>
    <rect x="4" y="2" width="28" height="28"/>
    <g transform="translate(60 20) rotate(30)">
      <path d="M-18 -15 q0 -3 3 -3 H15 q3 0 3 3 V15 q0 3 -3 3 H-15 q-3 0 -3 -3 Z" id="two"/>
    </g>
    <circle cx="120" cy="20" r="18" id="round"/>
    <text x="120" y="22">Turn</text>
  </g>`

test('rectangles, closed paths and circles become controls, with their turn; the casing and the tops of caps do not', () => {
  const { controls } = deviceFromSvg(
    drawing('width="100mm" height="50mm" viewBox="0 0 200 100"', body),
    'pad.svg',
  )
  expect(
    controls.map(({ id, name, shape, widthMm, heightMm, turnDeg, code }) => ({
      id,
      name,
      shape,
      widthMm,
      heightMm,
      turnDeg,
      code,
    })),
  ).toEqual([
    { id: 'KeyA', name: 'A', shape: 'rect', widthMm: 18, heightMm: 18, turnDeg: undefined, code: 'KeyA' },
    { id: 'two', name: '', shape: 'rect', widthMm: 18, heightMm: 18, turnDeg: 30, code: null },
    { id: 'round', name: 'Turn', shape: 'round', widthMm: 18, heightMm: 18, turnDeg: undefined, code: null },
  ])
  // centres lie 30 mm apart, whatever the corner of the drawing
  expect(controls[1]!.xMm - controls[0]!.xMm).toBeCloseTo(21, 1)
})

test('one shape of known width sets the scale', () => {
  const { controls } = deviceFromSvg(drawing('', body), 'pad.svg', { known: { shape: 'KeyA', widthMm: 36 } })
  expect(controls.map((c) => c.widthMm)).toEqual([36, 36, 36])
})

test.each([
  ['no scale', drawing('', body), /how large/],
  ['no key', drawing('width="100mm" viewBox="0 0 100 100"', '<rect width="1" height="1"/>'), /size of a key/],
  ['no SVG', '<html></html>', /no SVG/],
  ['broken', '<svg><rect', /no SVG|how large/],
])('%s is said', (_what, text, words) => {
  expect(() => deviceFromSvg(text, 'x.svg')).toThrow(words)
  expect(() => deviceFromSvg(text, 'x.svg')).toThrow(CoreError)
})
