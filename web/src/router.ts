import { createRouter, createWebHistory } from 'vue-router';
import DrivesPage from './stations/drives/DrivesPage.vue';

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', name: 'drives', component: DrivesPage },
    { path: '/drive/:id', redirect: (to) => ({ name: 'job', params: to.params }) },
    {
      path: '/drive/:id/job',
      name: 'job',
      meta: { place: 'job' },
      component: () => import('./stations/job/JobPage.vue'),
    },
    {
      path: '/drive/:id/train',
      name: 'train',
      meta: { place: 'train' },
      component: () => import('./stations/train/TrainPage.vue'),
    },
    {
      path: '/drive/:id/check',
      name: 'check',
      meta: { place: 'check' },
      component: () => import('./stations/check/CheckPage.vue'),
    },
    {
      path: '/drive/:id/run',
      name: 'run',
      meta: { place: 'run' },
      component: () => import('./stations/run/RunPage.vue'),
    },
    {
      path: '/shelf',
      name: 'shelf',
      meta: { place: 'shelf' },
      component: () => import('./stations/shelf/ShelfPage.vue'),
    },
    {
      path: '/drive/:id/find',
      name: 'find',
      meta: { place: 'find' },
      component: () => import('./stations/find/FindPage.vue'),
    },
    { path: '/:rest(.*)*', redirect: '/' },
  ],
});
