import { createRouter, createWebHistory } from 'vue-router';
import DrivesPage from './stations/drives/DrivesPage.vue';
import { isShared, places, type Place } from './ui/stations.ts';

/** The page of each station, loaded when it is first opened. */
const pages = {
  job: () => import('./stations/job/JobPage.vue'),
  shelf: () => import('./stations/shelf/ShelfPage.vue'),
  train: () => import('./stations/train/TrainPage.vue'),
  find: () => import('./stations/find/FindPage.vue'),
  check: () => import('./stations/check/CheckPage.vue'),
  make: () => import('./stations/make/MakePage.vue'),
  run: () => import('./stations/run/RunPage.vue'),
  log: () => import('./stations/log/LogPage.vue'),
} satisfies Record<Place, () => Promise<unknown>>;

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', name: 'drives', component: DrivesPage },
    { path: '/drive/:id', redirect: (to) => ({ name: 'job', params: to.params }) },
    ...places.map((place) => ({
      path: isShared(place) ? `/${place}` : `/drive/:id/${place}`,
      name: place,
      meta: { place },
      component: pages[place],
    })),
    { path: '/:rest(.*)*', redirect: '/' },
  ],
});
