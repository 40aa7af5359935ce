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

const preset = definePreset(Aura, {
  semantic: {
    primary: green,
    colorScheme: {
      light: { primary: { color: green[600], hoverColor: green[700], activeColor: green[800] } },
      dark: { primary: { color: '#7fd0a6', contrastColor: '#0b1512', hoverColor: '#9adbb8' } },
    },
  },
  components: {
    panel: {
      root: { background: 'transparent', borderColor: 'var(--rule)', color: 'inherit' },
      header: { color: 'inherit' },
      toggleableHeader: { padding: '0.1rem 0.6rem 0.1rem 0.9rem' },
      content: { padding: '0 0.9rem 0.6rem' },
    },
  },
})

export const theme = { preset, options: { darkModeSelector: '.dark' } }
