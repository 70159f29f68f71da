import type { GlobalThemeOverrides } from 'naive-ui'

const INK = '#1f2124'
const ACCENT = '#0d6468'
const ACCENT_DARK = '#094c4f'

/** Paper, ink and one accent over the interface library's own look; square-ish, flat, 44 px targets. */
export const theme: GlobalThemeOverrides = {
  common: {
    fontFamily: "'Atkinson Hyperlegible Next', sans-serif",
    fontSize: '16px',
    fontSizeMedium: '16px',
    heightMedium: '44px',
    heightSmall: '44px',
    borderRadius: '3px',
    primaryColor: ACCENT,
    primaryColorHover: ACCENT_DARK,
    primaryColorPressed: ACCENT_DARK,
    primaryColorSuppl: ACCENT,
    textColorBase: INK,
    textColor2: INK,
    borderColor: '#6d7176',
    placeholderColor: '#5d6166',
    boxShadow2: 'none',
    cubicBezierEaseInOut: 'linear',
  },
  Button: {
    textColor: INK,
    border: `1px solid ${INK}`,
    borderHover: `1px solid ${ACCENT}`,
    borderFocus: `1px solid ${ACCENT}`,
    color: '#ffffff',
    colorHover: '#e3eeec',
    colorFocus: '#ffffff',
    fontWeight: '400',
    opacityDisabled: '0.55',
    waveOpacity: '0',
    paddingMedium: '0 16px',
    colorPrimary: ACCENT,
    colorHoverPrimary: ACCENT_DARK,
    colorFocusPrimary: ACCENT_DARK,
    textColorPrimary: '#ffffff',
    textColorHoverPrimary: '#ffffff',
    textColorFocusPrimary: '#ffffff',
    textColorPressedPrimary: '#ffffff',
    borderPrimary: `1px solid ${ACCENT}`,
  },
  Input: { border: '1px solid #6d7176', borderHover: `1px solid ${ACCENT}`, paddingMedium: '0 10px' },
  Progress: { fillColor: ACCENT, railColor: '#dedbd2', railHeight: '8px' },
}
