import type { GlobalThemeOverrides } from 'naive-ui'

/** Naive UI gives inputs, pop-overs and dialogs their behaviour; this gives them our look. */
export function overrides(night: boolean): GlobalThemeOverrides {
  const cobalt = night ? '#9FB4F5' : '#27408B'
  const ink = night ? '#EFF1EA' : '#1B2444'
  const soft = night ? '#A9B2CE' : '#535B7A'
  const enamel = night ? '#1D2542' : '#FDFCF7'
  const ridge = night ? '#3A4468' : '#C6CDCB'
  return {
    common: {
      fontFamily: "'Anek Devanagari Variable', sans-serif",
      fontSize: '17px',
      primaryColor: cobalt,
      primaryColorHover: cobalt,
      primaryColorPressed: cobalt,
      primaryColorSuppl: cobalt,
      textColorBase: ink,
      textColor1: ink,
      textColor2: ink,
      textColor3: soft,
      placeholderColor: soft,
      borderColor: ridge,
      popoverColor: enamel,
      modalColor: enamel,
      inputColor: enamel,
      borderRadius: '7px',
      boxShadow1: 'none',
      boxShadow2: 'none',
      boxShadow3: 'none',
    },
    Input: {
      border: `1.5px solid ${cobalt}`,
      borderHover: `1.5px solid ${cobalt}`,
      borderFocus: `2px solid ${cobalt}`,
      boxShadowFocus: 'none',
      fontSizeLarge: '21px',
      heightLarge: '46px',
      colorFocus: enamel,
      caretColor: cobalt,
    },
    Message: {
      color: enamel,
      textColor: ink,
      border: `2px solid ${cobalt}`,
      boxShadow: 'none',
      fontSize: '17px',
    },
  }
}
