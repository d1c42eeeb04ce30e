const digit = (text: string, at: number): number => text.charCodeAt(at) - 48

const two = (text: string, at: number): number => digit(text, at) * 10 + digit(text, at + 1)

/** Days from 1970-01-01 of a date of the proleptic Gregorian calendar, by months counted from March. */
function daysOf(year: number, month: number, day: number): number {
  const y = month > 2 ? year : year - 1
  const era = Math.floor(y / 400)
  const yearOfEra = y - era * 400
  const dayOfYear = Math.floor((153 * (month > 2 ? month - 3 : month + 9) + 2) / 5) + day - 1
  const dayOfEra = yearOfEra * 365 + Math.floor(yearOfEra / 4) - Math.floor(yearOfEra / 100) + dayOfYear
  return era * 146_097 + dayOfEra - 719_468
}

const daysIn = (year: number, month: number): number => {
  if (month !== 2) return [4, 6, 9, 11].includes(month) ? 30 : 31
  return year % 4 === 0 && (year % 100 !== 0 || year % 400 === 0) ? 29 : 28
}

/** Whether a text is `2026-05-04T09:30:00`, as most rows have it: told faster than by the pattern. */
function isPlain(text: string): boolean {
  if (text.length !== 19) return false
  for (let at = 0; at < 19; at++) {
    const code = text.charCodeAt(at)
    if (at === 4 || at === 7) {
      if (code !== 45) return false
    } else if (at === 13 || at === 16) {
      if (code !== 58) return false
    } else if (at === 10) {
      if (code !== 84 && code !== 32) return false
    } else if (code < 48 || code > 57) return false
  }
  return true
}

const iso = /^\d{4}-\d\d-\d\d[T ]\d\d:\d\d(?::\d\d(?:[.,]\d+)?)?(?:Z|[+-]\d\d:?\d\d)?$/

/**
 * Time of an ISO 8601 text in ms, or NaN. A time without a zone is taken as it stands: only differences count.
 * Read by hand, since a log has a million of them and `Date.parse` depends on the machine's own zone.
 */
export function isoTimeMs(text: string): number {
  if (!isPlain(text) && !iso.test(text)) return NaN
  const year = two(text, 0) * 100 + two(text, 2)
  const [month, day, hour, minute] = [two(text, 5), two(text, 8), two(text, 11), two(text, 14)]
  const second = text[16] === ':' ? two(text, 17) : 0
  if (month < 1 || month > 12 || day < 1 || day > daysIn(year, month)) return NaN
  // 24:00 is the end of a day, and the last minute of one may have a second more (ISO 8601)
  if (minute > 59 || second > 60 || hour > 24 || (hour === 24 && minute + second > 0)) return NaN
  let ms = ((daysOf(year, month, day) * 24 + hour) * 60 + minute) * 60_000
  let at = 16
  if (text[at] === ':') {
    ms += second * 1000
    at = 19
    if (text[at] === '.' || text[at] === ',') {
      let scale = 100
      for (at++; at < text.length && digit(text, at) >= 0 && digit(text, at) <= 9; at++) {
        ms += digit(text, at) * scale
        scale /= 10
      }
    }
  }
  const sign = text[at] === '+' ? -1 : text[at] === '-' ? 1 : 0
  if (sign !== 0)
    ms += sign * (two(text, at + 1) * 60 + two(text, text[at + 3] === ':' ? at + 4 : at + 3)) * 60_000
  return ms
}
