// without the utilities: a quarter of a megabyte of classes for what a few of ours do
import 'vuetify/styles/core';
import { createVuetify, type ThemeDefinition } from 'vuetify';
import { aliases, mdi } from 'vuetify/iconsets/mdi-svg';
import { mdiChevronDown, mdiChevronUp } from '@mdi/js';
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
    VBtnToggle: { mandatory: true, rounded: 0 },
    VIcon: { size: 18 },
    VMenu: { transition: false, offset: 2 },
    VDialog: { transition: false, maxWidth: 560 },
    VCard: { elevation: 0, rounded: 0 },
    VList: { density: 'compact', elevation: 0 },
    VTextField: { variant: 'outlined', density: 'compact', hideDetails: true, singleLine: true },
    VTextarea: { variant: 'outlined', density: 'compact', hideDetails: true, singleLine: true },
    VSelect: {
      variant: 'outlined',
      density: 'compact',
      hideDetails: true,
      singleLine: true,
      menuIcon: mdiChevronDown,
      menuProps: { transition: false },
    },
    VCheckbox: { density: 'compact', hideDetails: true, ripple: false },
    VTabs: { density: 'compact', color: 'primary' },
    VTab: { height: 39 },
    VTable: { density: 'compact' },
    VDataTable: { density: 'compact', itemsPerPage: -1, hideDefaultFooter: true },
    VDataTableVirtual: { density: 'compact', fixedHeader: true },
    VExpansionPanels: { flat: true, static: true, variant: 'accordion' },
    VExpansionPanelTitle: { ripple: false, expandIcon: mdiChevronDown, collapseIcon: mdiChevronUp },
    VTooltip: { transition: false, openDelay: 500, location: 'bottom' },
    VSnackbar: { transition: false, location: 'bottom start', timeout: -1 },
  },
});
