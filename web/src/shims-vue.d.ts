/// <reference types="vite/client" />
/// <reference types="vite-plugin-pwa/vue" />

// Only for the linter, which does not read .vue files; vue-tsc does.
declare module '*.vue' {
  import type { DefineComponent } from 'vue';
  const component: DefineComponent;
  export default component;
}
