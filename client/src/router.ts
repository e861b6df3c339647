import { createRouter, createWebHistory } from 'vue-router'
import BoardView from './board/BoardView.vue'

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', name: 'board', component: BoardView, meta: { title: 'Board' } },
    {
      path: '/set-up',
      name: 'set-up',
      component: () => import('./jobs/setup/SetUpView.vue'),
      meta: { title: 'Set up', bare: true },
    },
    {
      path: '/walk',
      name: 'walk',
      component: () => import('./jobs/walk/WalkView.vue'),
      meta: { title: 'Walk' },
    },
    {
      path: '/walk/:plantingId',
      name: 'count',
      component: () => import('./jobs/walk/CountView.vue'),
      props: true,
      meta: { title: 'Count' },
    },
    {
      path: '/suspects/:observationId',
      name: 'suspects',
      component: () => import('./jobs/suspects/SuspectsView.vue'),
      props: true,
      meta: { title: 'Suspects' },
    },
    {
      path: '/decide',
      name: 'decide',
      component: () => import('./jobs/decide/DecideView.vue'),
      meta: { title: 'Decide' },
    },
    {
      path: '/rota',
      name: 'rota',
      component: () => import('./jobs/rota/RotaView.vue'),
      meta: { title: 'Rota' },
    },
    {
      path: '/outing/:outingKey',
      name: 'outing',
      component: () => import('./jobs/outing/OutingView.vue'),
      props: true,
      meta: { title: 'Outing' },
    },
    {
      path: '/bench',
      name: 'bench',
      component: () => import('./jobs/bench/BenchView.vue'),
      meta: { title: 'Bench' },
    },
    {
      path: '/bench/card',
      name: 'mix-card',
      component: () => import('./jobs/bench/MixCardView.vue'),
      meta: { title: 'Mix card', hidden: true },
    },
    {
      path: '/label/:batchId',
      name: 'label',
      component: () => import('./jobs/spray/LabelView.vue'),
      props: true,
      meta: { title: 'Bottle label' },
    },
    {
      path: '/shelf',
      name: 'shelf',
      component: () => import('./jobs/shelf/ShelfView.vue'),
      meta: { title: 'Shelf' },
    },
    {
      path: '/what-if',
      name: 'what-if',
      component: () => import('./jobs/whatif/WhatIfView.vue'),
      meta: { title: 'What if?' },
    },
    {
      path: '/hours',
      name: 'hours',
      component: () => import('./jobs/windows/HoursView.vue'),
      meta: { title: 'Good hours' },
    },
    {
      path: '/spray/:batchId',
      name: 'spray',
      component: () => import('./jobs/spray/SprayView.vue'),
      props: true,
      meta: { title: 'Log this spray' },
    },
    {
      path: '/check-backs',
      name: 'check-backs',
      component: () => import('./jobs/checkback/CheckBackListView.vue'),
      meta: { title: 'Check backs' },
    },
    {
      path: '/check-backs/:checkBackId',
      name: 'check-back',
      component: () => import('./jobs/checkback/CheckBackView.vue'),
      props: true,
      meta: { title: 'Check back' },
    },
    {
      path: '/places/:placeId',
      name: 'place',
      component: () => import('./jobs/place/PlaceView.vue'),
      props: true,
      meta: { title: 'Place' },
    },
    {
      path: '/weather',
      name: 'weather',
      component: () => import('./jobs/weather/WeatherView.vue'),
      meta: { title: 'Weather' },
    },
    {
      path: '/garden',
      name: 'garden',
      component: () => import('./jobs/beds/GardenView.vue'),
      meta: { title: 'Garden' },
    },
    {
      path: '/:rest(.*)*',
      name: 'lost',
      component: () => import('./shell/LostView.vue'),
      meta: { title: 'Not here' },
    },
  ],
  scrollBehavior: (_to, _from, saved) => saved ?? { top: 0 },
})

router.afterEach((to) => {
  document.title = `${String(to.meta.title ?? '')} · Mauvaise`
})
