import { describe, expect, test } from 'vitest'
import { mediumOf } from '../src/index.js'

const a4 = { widthMm: 210, heightMm: 297 }
const label = { widthMm: 57, heightMm: 32 }

describe('whether a printer has a size', () => {
  test.each([
    // names and bounds as in PWG 5101.1: custom_min and custom_max are the ends of a range
    ['nothing said', { media: [], mediaReady: [] }, a4, 'not told'],
    ['known by its name', { media: ['iso_a4_210x297mm'], mediaReady: [] }, a4, 'ready'],
    [
      'loaded',
      { media: ['iso_a4_210x297mm', 'na_letter_8.5x11in'], mediaReady: ['iso_a4_210x297mm'] },
      a4,
      'ready',
    ],
    ['another loaded', { media: ['iso_a4_210x297mm'], mediaReady: ['na_letter_8.5x11in'] }, a4, 'not loaded'],
    [
      'office paper only',
      { media: ['iso_a4_210x297mm', 'na_letter_8.5x11in'], mediaReady: [] },
      label,
      'not taken',
    ],
    ['turned', { media: ['custom_tag_32x57mm'], mediaReady: [] }, label, 'ready'],
    [
      'within bounds',
      { media: ['custom_min_20x10mm', 'custom_max_110x300mm'], mediaReady: [] },
      label,
      'ready',
    ],
    [
      'beyond bounds',
      { media: ['custom_min_20x10mm', 'custom_max_110x300mm'], mediaReady: [] },
      a4,
      'not taken',
    ],
    ['a roll', { media: ['roll_min_12x10mm', 'roll_max_62x1000mm'], mediaReady: [] }, label, 'ready'],
    ['names that nobody knows', { media: ['main', 'envelope'], mediaReady: [] }, a4, 'not taken'],
  ] as const)('%s', (_name, printer, size, expected) => {
    expect(mediumOf(printer, size)).toBe(expected)
  })
})
