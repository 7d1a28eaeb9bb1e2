import 'vuetify/styles';
import { createVuetify, type ThemeDefinition } from 'vuetify';
import { aliases, mdi } from 'vuetify/iconsets/mdi-svg';
import { palettes, variables, type PaletteName } from './colours.ts';

const theme = (name: PaletteName): ThemeDefinition => {
  const p = palettes[name];
  return {
    dark: name === 'night',
    colors: {
      background: p.paper,
      surface: p.surface,
      primary: p.blue,
      error: p.red,
      success: p.even,
      warning: p.amber,
      'on-background': p.ink,
      'on-surface': p.ink,
      'on-primary': p.onBlue,
      'surface-variant': p.ink,
      'on-surface-variant': p.surface,
    },
    variables: { 'high-emphasis-opacity': 1, 'medium-emphasis-opacity': 0.8, 'border-color': p.hair },
  };
};

/** Our colours as custom properties, day and night, before the first paint. */
export function installColours(): void {
  const style = document.createElement('style');
  style.textContent = `:root { ${variables(palettes.day)} } :root[data-theme='night'] { ${variables(palettes.night)} }`;
  document.head.append(style);
}

export const vuetify = createVuetify({
  icons: { defaultSet: 'mdi', aliases, sets: { mdi } },
  theme: { defaultTheme: 'day', themes: { day: theme('day'), night: theme('night') } },
  defaults: {
    VBtn: { variant: 'outlined', color: 'primary', ripple: false, height: 32, rounded: 'xs' },
    VIcon: { size: 18 },
    VMenu: { transition: false, offset: 2 },
    VDialog: { transition: false, maxWidth: 560 },
    VList: { density: 'compact', elevation: 0 },
  },
});
