/** What nobody means well: odd values, odd texts, bodies put wrong and files that are none. */
export function oddities(random, pick) {
  const ODD = [
    null,
    true,
    [],
    {},
    '',
    '\0',
    '\ud800',
    'x'.repeat(5000),
    -1,
    0,
    1e308,
    -1e308,
    2147483648,
    9007199254740993,
    0.1,
    '__proto__',
    '7W-11',
    'NaN',
    '2026-13-45',
    [[[]]],
    { __proto__: null, a: 1 },
    '../../etc/passwd',
    '%00',
    "'; drop table build; --",
    '\u202e',
    '-0',
  ]

  /** Odd texts as they may stand in an address. */
  const odd = () => encodeURIComponent(String(pick(ODD.filter((each) => typeof each !== 'object'))).toWellFormed())

  /** One value somewhere in a body put wrong, or a field lost or added. */
  function mutated(value, depth = 0) {
    if (typeof value !== 'object' || value === null || (depth > 0 && random() < 0.25)) return pick(ODD)
    const copy = Array.isArray(value) ? [...value] : { ...value }
    const keys = Object.keys(copy)
    if (keys.length === 0 || random() < 0.08) {
      if (Array.isArray(copy)) copy.push(pick(ODD))
      else copy[pick(['extra', 'constructor', 'time', 'house', 'id', '0', ''])] = pick(ODD)
      return copy
    }
    const key = pick(keys)
    if (random() < 0.12) delete copy[key]
    else copy[key] = mutated(copy[key], depth + 1)
    return copy
  }
  function flipped(text) {
    const bytes = Buffer.from(text)
    for (let i = 0; i < 1 + Math.floor(random() * 4) && bytes.length > 0; i++)
      bytes[Math.floor(random() * bytes.length)] = Math.floor(random() * 256)
    return bytes
  }
  const csv = () =>
    pick([
      'time (s),pressure (bar)\n0,3\n1,3.1\n',
      'time (s),pressure (bar),speed (rpm)\n0,3,900\n99999999999,3,900\n',
      'time (ms),P (psi)\n1e30,4\n-5,3\n',
      `time (s),pressure (bar)\n${'"\n'.repeat(Math.floor(random() * 3000))}`,
      'kind,label,count\nwasher,"A,1\n',
      `kind,label,count,thickness (mm)\n${Array.from({ length: 40 }, (_, i) => `washer,F ${i},${pick(['1', '-1', '\0', 'x', '1e9'])},1`).join('\n')}`,
      '\0\0\0',
      ',,,\n,,,',
      'time,time\n1,1',
      '',
    ])
  return { ODD, odd, mutated, flipped, csv }
}
