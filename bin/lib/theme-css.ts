import { Theme } from '@primeuix/themes'
import BaseStyle from '@primevue/core/base/style'
import theme, { THEMED } from '../../app/theme'

interface Style {
  name: string
  getCommonThemeStyleSheet: () => string
  getThemeStyleSheet: () => string
  getStyleSheet: () => string
}

/**
 * Our preset of PrimeVue as one style sheet, made once when the application is built: the page then neither carries
 * the preset nor writes sixty style elements before its first paint.
 */
export async function themeCss(): Promise<string> {
  Theme.setTheme(theme)
  const styles: Style[] = [BaseStyle as unknown as Style]
  for (const name of THEMED) {
    const { default: style } = (await import(`primevue/${name}/style`)) as { default: Style }
    styles.push(style)
  }
  const sheets = [
    ...styles.map((style) => style.getStyleSheet()),
    styles[0].getCommonThemeStyleSheet(),
    ...styles.map((style) => style.getThemeStyleSheet()),
  ].join('\n')
  const css = [...sheets.matchAll(/<style[^>]*>([\s\S]*?)<\/style>/g)].map(([, rules]) => rules.trim()).join('\n')
  return withoutUnused(css)
}

/** Variables that nothing refers to are left out, again and again until each is used: the palettes of other products, mostly. */
function withoutUnused(css: string): string {
  for (;;) {
    const used = new Set([...css.matchAll(/var\((--p-[\w-]+)/g)].map(([, name]) => name))
    const next = css.replace(/(--p-[\w-]+):[^;{}]*(;|(?=}))/g, (whole, name: string) => (used.has(name) ? whole : ''))
    if (next === css) return css
    css = next
  }
}
