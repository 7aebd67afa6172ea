import { describe, expect, it } from 'vitest'
import { cssText } from './cssText'

describe('a text in a style sheet', () => {
  it('cannot be ended by what it says', () => {
    expect(cssText('Ottiline')).toBe('"Ottiline"')
    expect(cssText('a"b\\c</style>\n}')).toBe('"a\\22 b\\5c c\\3c /style\\3e \\a }"')
  })
})
