import { expect, test } from 'vitest'
import { choosePrintForm } from '../src/index.js'

const label = {
  formats: ['image/pwg-raster', 'application/pdf'],
  dpis: [300, 203],
  rasterTypes: ['sgray_8', 'black_1'],
  sides: ['one-sided'],
}
const office = {
  formats: ['application/pdf', 'image/pwg-raster'],
  dpis: [600],
  rasterTypes: ['srgb_8'],
  sides: [],
}

test.each([
  [
    'dots of one bit at the nearest resolution',
    label,
    null,
    200,
    { form: 'pwg', dpi: 203, rasterType: 'black_1' },
  ],
  ['PDF where the person asks for it', label, 'pdf', 203, { form: 'pdf' }],
  ['PDF where the printer has only colour raster', office, null, 203, { form: 'pdf' }],
  [
    'PDF where the printer does not say what it takes',
    { formats: [], dpis: [], rasterTypes: [], sides: [] },
    null,
    203,
    { form: 'pdf', dpi: 203 },
  ],
  [
    'grey where there is no single bit',
    { ...label, rasterTypes: ['sgray_8'] },
    null,
    300,
    { form: 'pwg', dpi: 300, rasterType: 'sgray_8' },
  ],
] as const)('a printer gets %s', (_name, takes, wanted, dpi, form) => {
  expect(choosePrintForm(takes, wanted, dpi)).toMatchObject(form)
})

test('two sides of one sheet go as PDF to a printer that turns the sheet, and else as any other document', () => {
  const turns = { ...label, sides: ['one-sided', 'two-sided-long-edge', 'two-sided-short-edge'] }
  expect(choosePrintForm(turns, null, 203, true)).toMatchObject({
    form: 'pdf',
    sides: 'two-sided-short-edge',
  })
  expect(choosePrintForm(turns, null, 203)).not.toHaveProperty('sides')
  expect(choosePrintForm(turns, 'pwg', 203, true)).not.toHaveProperty('sides')
  expect(choosePrintForm(label, null, 203, true)).toEqual(choosePrintForm(label, null, 203))
})

test('a printer that takes neither is named with what it takes', () => {
  expect(() => choosePrintForm({ ...label, formats: ['image/jpeg'] }, null, 203)).toThrow(
    /takes image\/jpeg.*download the file/,
  )
  expect(() => choosePrintForm(office, 'pwg', 203)).toThrow(/PWG raster/)
})
