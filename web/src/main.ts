import './theme/reset.css';
import '@fontsource-variable/atkinson-hyperlegible-next';
import '@fontsource-variable/atkinson-hyperlegible-mono';
import { createPinia } from 'pinia';
import { createApp } from 'vue';
import App from './App.vue';
import { focusScroll } from './ui/focus-scroll.ts';
import { router } from './router.ts';
import { installColours, vuetify } from './theme/vuetify.ts';
import './theme/base.css';
import './theme/controls.css';
import './theme/panels.css';
import './theme/print.css';
import './theme/drawing.css';
import './theme/ledger.css';

installColours();
createApp(App)
  .use(createPinia())
  .use(router)
  .use(vuetify)
  .directive('focus-scroll', focusScroll)
  .mount('#app');
