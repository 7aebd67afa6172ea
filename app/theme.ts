import { definePreset } from '@primeuix/themes'
import base from '@primeuix/themes/aura/base'
import button from '@primeuix/themes/aura/button'
import checkbox from '@primeuix/themes/aura/checkbox'
import confirmpopup from '@primeuix/themes/aura/confirmpopup'
import datatable from '@primeuix/themes/aura/datatable'
import dialog from '@primeuix/themes/aura/dialog'
import fileupload from '@primeuix/themes/aura/fileupload'
import inputnumber from '@primeuix/themes/aura/inputnumber'
import inputtext from '@primeuix/themes/aura/inputtext'
import menu from '@primeuix/themes/aura/menu'
import message from '@primeuix/themes/aura/message'
import popover from '@primeuix/themes/aura/popover'
import progressbar from '@primeuix/themes/aura/progressbar'
import select from '@primeuix/themes/aura/select'
import selectbutton from '@primeuix/themes/aura/selectbutton'
import slider from '@primeuix/themes/aura/slider'
import stepperLook from '@primeuix/themes/aura/stepper'
import tabs from '@primeuix/themes/aura/tabs'
import textarea from '@primeuix/themes/aura/textarea'
import timelineLook from '@primeuix/themes/aura/timeline'
import toast from '@primeuix/themes/aura/toast'
import togglebutton from '@primeuix/themes/aura/togglebutton'
import tooltip from '@primeuix/themes/aura/tooltip'
import virtualscroller from '@primeuix/themes/aura/virtualscroller'

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

const components = {
  button,
  checkbox,
  confirmpopup,
  datatable,
  dialog,
  fileupload,
  inputnumber,
  inputtext,
  menu,
  message,
  popover,
  progressbar,
  select,
  selectbutton,
  slider,
  stepper: stepperLook,
  tabs,
  textarea,
  timeline: timelineLook,
  toast,
  togglebutton,
  tooltip,
  virtualscroller,
}
/** What floats above the sheet: a rule around it, no shadow. */
const floating = { background: 'var(--sheet)', borderColor: 'var(--field)', color: 'var(--ink)' }
/** A choice that is made stands in petrol with its word in the sheet's colour. */
const pressed = {
  root: {
    background: 'transparent',
    checkedBackground: 'var(--petrol)',
    hoverBackground: 'var(--petrol-wash)',
    borderColor: 'var(--field)',
    color: 'var(--quiet)',
    hoverColor: 'var(--ink)',
    checkedColor: 'var(--on-petrol)',
    checkedBorderColor: 'var(--petrol)',
  },
  content: { checkedBackground: 'transparent' },
}
const marks = { color: 'var(--quiet)', hoverColor: 'var(--ink)', activeColor: 'var(--ink)' }
const stepper = {
  background: 'transparent',
  hoverBackground: 'var(--petrol-wash)',
  activeBackground: 'var(--petrol-wash)',
}
const DANGER = Object.fromEntries(
  ['background', 'hoverBackground', 'activeBackground', 'borderColor', 'hoverBorderColor', 'activeBorderColor'].map(
    (each) => [each, 'var(--stop)'],
  ),
)
/** A note lies on the sheet, in ink, behind an edge of its own colour. */
const noted = (colour: string) => ({
  background: 'var(--sheet)',
  borderColor: `var(--${colour})`,
  color: 'var(--ink)',
  shadow: 'none',
})
const inBothSchemes = (tokens: object) => ({ colorScheme: { light: tokens, dark: tokens } })

/** PrimeVue in Uldo's tokens: the colours are the variables of tokens.css, so that both schemes follow. */
const preset = definePreset(
  { ...base, components } as never,
  {
    primitive: { borderRadius: { none: '0', xs: '2px', sm: '2px', md: '3px', lg: '3px', xl: '4px' } },
    semantic: {
      primary: petrol,
      transitionDuration: '0.08s',
      focusRing: { width: '2px', style: 'solid', color: 'var(--petrol)', offset: '2px' },
      formField: { paddingX: '0.75rem', paddingY: '0.6rem', borderRadius: '3px' },
      list: { padding: '0', gap: '0', option: { padding: '0 14px', borderRadius: '0' } },
      overlay: {
        select: { shadow: 'none', borderRadius: '3px' },
        popover: { shadow: 'none', borderRadius: '4px' },
        modal: { shadow: 'none', borderRadius: '4px' },
      },
      ...inBothSchemes({
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
          iconColor: 'var(--quiet)',
          invalidBorderColor: 'var(--stop)',
          shadow: 'none',
        },
        text: {
          color: 'var(--ink)',
          hoverColor: 'var(--ink)',
          mutedColor: 'var(--quiet)',
          hoverMutedColor: 'var(--ink)',
        },
        overlay: { select: floating, popover: floating, modal: floating },
        list: {
          option: {
            focusBackground: 'var(--petrol-wash)',
            selectedBackground: 'var(--petrol)',
            selectedFocusBackground: 'var(--petrol-strong)',
            color: 'var(--ink)',
            focusColor: 'var(--ink)',
            selectedColor: 'var(--on-petrol)',
            selectedFocusColor: 'var(--on-petrol)',
          },
        },
        content: {
          background: 'var(--sheet)',
          hoverBackground: 'var(--petrol-wash)',
          borderColor: 'var(--rule)',
          color: 'var(--ink)',
          hoverColor: 'var(--ink)',
        },
      }),
    },
    components: {
      button: {
        root: { borderRadius: '3px', label: { fontWeight: '600' } },
        ...inBothSchemes({
          root: { danger: DANGER },
          outlined: { primary: { borderColor: 'var(--petrol)' } },
        }),
      },
      checkbox: { root: { width: '22px', height: '22px' } },
      datatable: {
        headerCell: { padding: '6px 0 6px 14px' },
        bodyCell: { padding: '5px 0 5px 14px' },
        ...inBothSchemes({ root: { borderColor: 'var(--rule)' }, row: { stripedBackground: 'var(--sheet)' } }),
      },
      dialog: { header: { padding: '16px 20px 8px' }, content: { padding: '0 20px 20px' } },
      inputnumber: inBothSchemes({ button: { ...stepper, ...marks } }),
      menu: {
        root: { shadow: 'none', borderRadius: '4px' },
        list: { padding: '4px 0', gap: '0' },
        item: { padding: '11px 16px', borderRadius: '0' },
      },
      message: {
        content: { padding: '10px 14px' },
        text: { fontWeight: '400' },
        ...inBothSchemes({ info: noted('petrol'), warn: noted('watch'), error: noted('stop') }),
      },
      popover: { content: { padding: '8px 0' }, root: { gutter: '4px', borderRadius: '4px' } },
      progressbar: { root: { height: '12px' } },
      slider: {
        track: { background: 'var(--rule)', size: '5px' },
        handle: { width: '26px', height: '26px', background: 'var(--petrol)', hoverBackground: 'var(--petrol-strong)' },
        ...inBothSchemes({
          handle: { content: { background: 'var(--petrol)', hoverBackground: 'var(--petrol-strong)' } },
        }),
      },
      tabs: {
        tablist: { background: 'transparent' },
        tab: {
          padding: '0 14px',
          borderWidth: '0 0 3px 0',
          borderColor: 'transparent',
          hoverBorderColor: 'transparent',
        },
        tabpanel: { background: 'transparent', padding: '0' },
        activeBar: { height: '0' },
      },
      stepper: {
        separator: { background: 'var(--rule)', activeBackground: 'var(--petrol)' },
        steplist: { padding: '0' },
      },
      timeline: {
        vertical: { eventContent: { padding: '0 0 14px 12px' } },
        ...inBothSchemes({
          eventMarker: {
            background: 'var(--sheet)',
            borderColor: 'var(--field)',
            content: { background: 'var(--petrol)' },
          },
          eventConnector: { color: 'var(--rule)' },
        }),
      },
      confirmpopup: { root: { gutter: '6px' }, content: { padding: '12px 14px' }, footer: { padding: '0 14px 14px' } },
      toast: {
        root: { width: '232px', borderRadius: '4px' },
        content: { padding: '8px 10px' },
        text: { gap: '4px' },
        ...inBothSchemes({
          secondary: {
            background: 'var(--sheet)',
            borderColor: 'var(--field)',
            color: 'var(--ink)',
            detailColor: 'var(--ink)',
            shadow: 'none',
          },
        }),
      },
      togglebutton: {
        root: { padding: '0', borderRadius: '3px' },
        content: { padding: '0 11px', checkedShadow: 'none' },
        ...inBothSchemes(pressed),
      },
    },
  } as never,
)

export default { preset, options: { darkModeSelector: '[data-scheme="dark"]', cssLayer: false } }

/** What our preset dresses: all that is used of PrimeVue. */
export const THEMED = Object.keys(components)
