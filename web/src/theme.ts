import { definePreset } from '@primeuix/themes'
import Aura from '@primeuix/themes/aura'

const green = {
  50: '#eef5f1',
  100: '#d7e7de',
  200: '#b0cfbe',
  300: '#83b399',
  400: '#4f9070',
  500: '#2f7153',
  600: '#1f4d3a',
  700: '#1a4132',
  800: '#15352a',
  900: '#112a22',
  950: '#0a1a15',
}

/** Paper, ink and rules are those of the page, by day and by night: one set of variables in style.css. */
const card = { background: 'var(--card)', borderColor: 'var(--rule)', color: 'var(--ink)' }
const grounds = {
  text: { color: 'var(--ink)', hoverColor: 'var(--ink)', mutedColor: 'var(--quiet)', hoverMutedColor: 'var(--quiet)' },
  content: { ...card, hoverBackground: 'var(--gate-soft)', hoverColor: 'var(--ink)' },
  overlay: { select: card, popover: card, modal: card },
  list: {
    option: {
      color: 'var(--ink)',
      focusBackground: 'var(--gate-soft)',
      focusColor: 'var(--ink)',
      selectedBackground: 'var(--gate)',
      selectedColor: 'var(--on-gate)',
      selectedFocusBackground: 'var(--gate)',
      selectedFocusColor: 'var(--on-gate)',
    },
  },
  formField: {
    background: 'var(--board)',
    color: 'var(--ink)',
    borderColor: 'var(--quiet)',
    hoverBorderColor: 'var(--ink)',
    placeholderColor: 'var(--quiet)',
    invalidBorderColor: 'var(--stop)',
  },
}

const secondary = {
  color: 'var(--ink)',
  borderColor: 'var(--quiet)',
  hoverBackground: 'var(--gate-soft)',
  activeBackground: 'var(--gate-soft)',
}
const choice = {
  root: {
    background: 'transparent',
    hoverBackground: 'var(--gate-soft)',
    checkedBackground: 'var(--gate)',
    borderColor: 'var(--quiet)',
    checkedBorderColor: 'var(--gate)',
    color: 'var(--ink)',
    hoverColor: 'var(--ink)',
    checkedColor: 'var(--on-gate)',
  },
  content: { checkedBackground: 'var(--gate)' },
}

const cell = { background: 'transparent', hoverBackground: 'var(--gate-soft)', color: 'var(--ink)', borderColor: 'var(--rule)' }
const table = {
  headerCell: { ...cell, hoverColor: 'var(--ink)', selectedBackground: 'var(--gate-soft)', selectedColor: 'var(--ink)' },
  row: { background: 'transparent', color: 'var(--ink)', hoverBackground: 'transparent' },
  bodyCell: { borderColor: 'var(--rule)' },
  sortIcon: { color: 'var(--quiet)', hoverColor: 'var(--ink)' },
}

/** What is done and what is next, on any ground. */
const stepper = {
  separator: { background: 'var(--rule)', activeBackground: 'var(--gate)' },
  stepTitle: { color: 'var(--quiet)', activeColor: 'var(--ink)' },
  stepNumber: {
    background: 'var(--card)',
    activeBackground: 'var(--gate)',
    borderColor: 'var(--quiet)',
    activeBorderColor: 'var(--gate)',
    color: 'var(--quiet)',
    activeColor: 'var(--on-gate)',
  },
}

/** What was done is told on the page's own paper. */
const told = {
  background: 'var(--card)',
  borderColor: 'var(--water)',
  color: 'var(--ink)',
  detailColor: 'var(--ink)',
  closeButton: { hoverBackground: 'var(--gate-soft)', focusRing: { color: 'var(--gold)', shadow: 'none' } },
}

const preset = definePreset(Aura, {
  semantic: {
    primary: green,
    colorScheme: {
      light: { primary: { color: green[600], hoverColor: green[700], activeColor: green[800] }, ...grounds },
      dark: { primary: { color: '#7fd0a6', contrastColor: '#0b1512', hoverColor: '#9adbb8' }, ...grounds },
    },
  },
  components: {
    button: {
      colorScheme: { light: { outlined: { secondary }, text: { secondary } }, dark: { outlined: { secondary }, text: { secondary } } },
    },
    // For a gloved hand.
    checkbox: {
      root: { width: '28px', height: '28px', disabledBackground: 'var(--board)' },
      icon: { size: '18px', disabledColor: 'var(--gate)' },
    },
    radiobutton: { root: { width: '28px', height: '28px' }, icon: { size: '14px' } },
    slider: { handle: { width: '28px', height: '28px', content: { width: '20px', height: '20px' } } },
    datatable: { colorScheme: { light: table, dark: table } },
    stepper: { colorScheme: { light: stepper, dark: stepper } },
    progressbar: { root: { background: 'var(--card)', height: '9px' }, value: { background: 'var(--gate)' } },
    toast: { colorScheme: { light: { info: told }, dark: { info: told } } },
    togglebutton: { colorScheme: { light: choice, dark: choice } },
    panel: {
      root: { background: 'transparent', borderColor: 'var(--rule)', color: 'inherit' },
      header: { color: 'inherit' },
      toggleableHeader: { padding: '0.1rem 0.6rem 0.1rem 0.9rem' },
      content: { padding: '0 0.9rem 0.6rem' },
    },
  },
})

export const theme = { preset, options: { darkModeSelector: '.dark' } }

/** A list itself takes the focus; the library's hidden helpers beside it would be traps for a screen reader. */
const away = { style: 'display: none' }
export const passThrough = { listbox: { hiddenFirstFocusableEl: away, hiddenLastFocusableEl: away } }
