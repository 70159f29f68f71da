import { createRouter, createWebHistory } from 'vue-router'
import { focusMain } from '../shared/focus'

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', name: 'shelf', component: () => import('../shelf/ShelfScreen.vue'), meta: { title: 'Shelf' } },
    {
      path: '/m/:id',
      component: () => import('./ModelFrame.vue'),
      props: true,
      children: [
        { path: '', redirect: { name: 'rail' } },
        { path: 'bench', name: 'bench', component: () => import('../bench/BenchScreen.vue'), meta: { title: 'Bench' } },
        { path: 'apart', name: 'apart', component: () => import('../bench/ApartScreen.vue'), meta: { title: 'Take apart' } },
        { path: 'rail', name: 'rail', component: () => import('../rail/RailScreen.vue'), meta: { title: 'Rail' } },
        { path: 'checks', name: 'checks', component: () => import('../checks/ChecksScreen.vue'), meta: { title: 'Checks' } },
        {
          path: 'catalogue',
          name: 'model-catalogue',
          component: () => import('../catalogue/CatalogueScreen.vue'),
          meta: { title: 'Catalogue' },
        },
        { path: 'work', name: 'work', component: () => import('../work/WorkScreen.vue'), meta: { title: 'Work on pieces' } },
        { path: 'figures', name: 'figures', component: () => import('../figures/FiguresScreen.vue'), meta: { title: 'Figures' } },
        { path: 'fit', name: 'model-fit', component: () => import('../fit/FitScreen.vue'), meta: { title: 'Fit' } },
        { path: 'sections', name: 'sections', component: () => import('../sections/SectionsScreen.vue'), meta: { title: 'Sections' } },
        { path: 'photos', name: 'photos', component: () => import('../photos/PhotosScreen.vue'), meta: { title: 'Photo log' } },
        { path: 'bags', name: 'bags', component: () => import('../parts/BagsScreen.vue'), meta: { title: 'Bags' } },
        { path: 'versions', name: 'versions', component: () => import('../versions/VersionsScreen.vue'), meta: { title: 'Versions' } },
        { path: 'charts', name: 'charts', component: () => import('../parts/ChartsScreen.vue'), meta: { title: 'Charts' } },
        { path: 'buy', name: 'buy', component: () => import('../parts/BuyScreen.vue'), meta: { title: 'Buy' } },
        { path: 'parts', name: 'parts', component: () => import('../parts/PartsScreen.vue'), meta: { title: 'Parts' } },
        { path: 'proof', name: 'proof', component: () => import('../proof/ProofScreen.vue'), meta: { title: 'Proof build' } },
        { path: 'time', name: 'time', component: () => import('../proof/TimeScreen.vue'), meta: { title: 'Time' } },
        { path: 'logbook', name: 'logbook', component: () => import('../proof/LogbookScreen.vue'), meta: { title: 'Logbook' } },
        { path: 'booklet', name: 'booklet', component: () => import('../booklet/BookletScreen.vue'), meta: { title: 'Booklet' } },
      ],
    },
    {
      path: '/tools',
      component: () => import('./ToolFrame.vue'),
      children: [
        { path: 'catalogue', name: 'catalogue', component: () => import('../catalogue/CatalogueScreen.vue'), meta: { title: 'Catalogue' } },
        { path: 'fit', name: 'fit', component: () => import('../fit/FitScreen.vue'), meta: { title: 'Fit' } },
      ],
    },
    { path: '/published', name: 'published', component: () => import('../published/PublishedScreen.vue'), meta: { title: 'Published' } },
    {
      path: '/published/:id',
      name: 'letters',
      component: () => import('../published/LettersScreen.vue'),
      props: true,
      meta: { title: 'Letters' },
    },
    { path: '/bring-in', name: 'bring-in', component: () => import('../bring-in/BringInScreen.vue'), meta: { title: 'Bring in' } },
    { path: '/:rest(.*)*', name: 'lost', component: () => import('./LostScreen.vue'), meta: { title: 'Not found' } },
  ],
})

router.afterEach((to, from) => {
  // The link that was followed is gone with its screen.
  if (to.name !== from.name) setTimeout(() => focusMain())
  const title = typeof to.meta['title'] === 'string' ? to.meta['title'] : undefined
  document.title = title ? `${title} · Jump Rail` : 'Jump Rail'
})
