import { createRouter, createWebHistory } from 'vue-router'
import { say, type ScreenKey } from '../language'
import { focusMain } from '../shared/focus'

declare module 'vue-router' {
  interface RouteMeta {
    readonly title?: ScreenKey
  }
}

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', name: 'shelf', component: () => import('../shelf/ShelfScreen.vue'), meta: { title: 'common.shelf' } },
    {
      path: '/m/:id',
      component: () => import('./ModelFrame.vue'),
      props: true,
      children: [
        { path: '', redirect: { name: 'rail' } },
        { path: 'bench', name: 'bench', component: () => import('../bench/BenchScreen.vue'), meta: { title: 'app.bench' } },
        { path: 'apart', name: 'apart', component: () => import('../bench/ApartScreen.vue'), meta: { title: 'common.takeApart' } },
        { path: 'rail', name: 'rail', component: () => import('../rail/RailScreen.vue'), meta: { title: 'common.rail' } },
        { path: 'checks', name: 'checks', component: () => import('../checks/ChecksScreen.vue'), meta: { title: 'common.checks' } },
        {
          path: 'catalogue',
          name: 'model-catalogue',
          component: () => import('../catalogue/CatalogueScreen.vue'),
          meta: { title: 'common.catalogue' },
        },
        { path: 'work', name: 'work', component: () => import('../work/WorkScreen.vue'), meta: { title: 'common.workOnPieces' } },
        {
          path: 'figures',
          name: 'figures',
          component: () => import('../figures/FiguresScreen.vue'),
          meta: { title: 'common.figures' },
        },
        { path: 'fit', name: 'model-fit', component: () => import('../fit/FitScreen.vue'), meta: { title: 'common.fit' } },
        {
          path: 'sections',
          name: 'sections',
          component: () => import('../sections/SectionsScreen.vue'),
          meta: { title: 'common.sections' },
        },
        { path: 'photos', name: 'photos', component: () => import('../photos/PhotosScreen.vue'), meta: { title: 'common.photoLog' } },
        { path: 'bags', name: 'bags', component: () => import('../parts/BagsScreen.vue'), meta: { title: 'common.bags' } },
        {
          path: 'versions',
          name: 'versions',
          component: () => import('../versions/VersionsScreen.vue'),
          meta: { title: 'common.versions' },
        },
        { path: 'charts', name: 'charts', component: () => import('../parts/ChartsScreen.vue'), meta: { title: 'common.charts' } },
        { path: 'buy', name: 'buy', component: () => import('../parts/BuyScreen.vue'), meta: { title: 'common.buy' } },
        { path: 'parts', name: 'parts', component: () => import('../parts/PartsScreen.vue'), meta: { title: 'common.parts' } },
        { path: 'proof', name: 'proof', component: () => import('../proof/ProofScreen.vue'), meta: { title: 'common.proofBuild' } },
        { path: 'time', name: 'time', component: () => import('../proof/TimeScreen.vue'), meta: { title: 'common.time' } },
        { path: 'logbook', name: 'logbook', component: () => import('../proof/LogbookScreen.vue'), meta: { title: 'common.logbook' } },
        {
          path: 'booklet',
          name: 'booklet',
          component: () => import('../booklet/BookletScreen.vue'),
          meta: { title: 'common.booklet' },
        },
      ],
    },
    {
      path: '/tools',
      component: () => import('./ToolFrame.vue'),
      children: [
        {
          path: 'catalogue',
          name: 'catalogue',
          component: () => import('../catalogue/CatalogueScreen.vue'),
          meta: { title: 'common.catalogue' },
        },
        { path: 'fit', name: 'fit', component: () => import('../fit/FitScreen.vue'), meta: { title: 'common.fit' } },
      ],
    },
    {
      path: '/published',
      name: 'published',
      component: () => import('../published/PublishedScreen.vue'),
      meta: { title: 'common.published' },
    },
    {
      path: '/published/:id',
      name: 'letters',
      component: () => import('../published/LettersScreen.vue'),
      props: true,
      meta: { title: 'common.letters' },
    },
    {
      path: '/bring-in',
      name: 'bring-in',
      component: () => import('../bring-in/BringInScreen.vue'),
      meta: { title: 'common.bringIn' },
    },
    { path: '/:rest(.*)*', name: 'lost', component: () => import('./LostScreen.vue'), meta: { title: 'app.notFound' } },
  ],
})

router.afterEach((to, from) => {
  // The link that was followed is gone with its screen.
  if (to.name !== from.name) setTimeout(() => focusMain())
  const { title } = to.meta
  document.title = title ? say('app.jumpRail', { title: say(title) }) : 'Jump Rail'
})
