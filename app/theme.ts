import { definePreset } from '@primeuix/themes'
import base from '@primeuix/themes/aura/base'
import button from '@primeuix/themes/aura/button'
import inputtext from '@primeuix/themes/aura/inputtext'

const petrol = {
  50: '#eef5f6',
  100: '#d5e6e9',
  200: '#abcdd3',
  300: '#7db1ba',
  400: '#4a8c98',
  500: '#0b5a68',
  600: '#0a4f5b',
  700: '#08434e',
  800: '#063640',
  900: '#052a32',
  950: '#031b20',
}

/** PrimeVue in Uldo's tokens: the colours are the variables of tokens.css, so that both schemes follow. */
const preset = definePreset(
  { ...base, components: { button, inputtext } } as never,
  {
    primitive: { borderRadius: { none: '0', xs: '2px', sm: '2px', md: '3px', lg: '3px', xl: '4px' } },
    semantic: {
      primary: petrol,
      transitionDuration: '0.08s',
      focusRing: { width: '2px', style: 'solid', color: 'var(--petrol)', offset: '2px' },
      formField: { paddingX: '0.75rem', paddingY: '0.6rem', borderRadius: '3px' },
      colorScheme: Object.fromEntries(
        ['light', 'dark'].map((scheme) => [
          scheme,
          {
            primary: {
              color: 'var(--petrol)',
              contrastColor: 'var(--on-petrol)',
              hoverColor: 'var(--petrol-strong)',
              activeColor: 'var(--petrol-strong)',
            },
            highlight: {
              background: 'var(--petrol-wash)',
              focusBackground: 'var(--petrol-wash)',
              color: 'var(--ink)',
              focusColor: 'var(--ink)',
            },
            formField: {
              background: 'var(--sheet)',
              borderColor: 'var(--field)',
              hoverBorderColor: 'var(--quiet)',
              focusBorderColor: 'var(--petrol)',
              color: 'var(--ink)',
              placeholderColor: 'var(--quiet)',
              shadow: 'none',
            },
            text: {
              color: 'var(--ink)',
              hoverColor: 'var(--ink)',
              mutedColor: 'var(--quiet)',
              hoverMutedColor: 'var(--ink)',
            },
            content: {
              background: 'var(--sheet)',
              hoverBackground: 'var(--petrol-wash)',
              borderColor: 'var(--rule)',
              color: 'var(--ink)',
              hoverColor: 'var(--ink)',
            },
          },
        ]),
      ),
    },
    components: { button: { root: { borderRadius: '3px', label: { fontWeight: '600' } } } },
  } as never,
)

export default { preset, options: { darkModeSelector: '[data-scheme="dark"]', cssLayer: false } }
