import type { Directive } from 'vue';

/** A table that scrolls within itself is reached by Tab, so that the arrows scroll it. */
export const focusScroll: Directive<HTMLElement> = {
  mounted: (el) => {
    const box = el.matches('.v-table__wrapper') ? el : el.querySelector('.v-table__wrapper');
    box?.setAttribute('tabindex', '0');
  },
};
