import { createRouter, createWebHistory } from 'vue-router'
import UnitsPage from './units/UnitsPage.vue'

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', name: 'units', component: UnitsPage },
    { path: '/new', name: 'new', component: () => import('./begin/BeginPage.vue') },
    { path: '/reckoner', name: 'reckoner', component: () => import('./reckon/ReckonerPage.vue') },
    { path: '/day', name: 'day', component: () => import('./day/DayPage.vue') },
    { path: '/instruments', name: 'instruments', component: () => import('./instruments/InstrumentsPage.vue') },
    { path: '/prove', name: 'prove', component: () => import('./prove/ProvePage.vue') },
    { path: '/unit/:tag/sheet', name: 'sheet', component: () => import('./sheet/SheetPage.vue'), props: true },
    { path: '/unit/:tag/plan', name: 'plan', component: () => import('./plan/PlanPage.vue'), props: true },
    { path: '/unit/:tag/run', name: 'start', component: () => import('./run/StartPage.vue'), props: true },
    { path: '/unit/:tag/run/:id', name: 'run', component: () => import('./run/RunPage.vue'), props: true },
    { path: '/unit/:tag/history', name: 'history', component: () => import('./history/HistoryPage.vue'), props: true },
    { path: '/unit/:tag/upkeep', name: 'upkeep', component: () => import('./upkeep/UpkeepPage.vue'), props: true },
    { path: '/unit/:tag/record', name: 'records', component: () => import('./record/RecordsPage.vue'), props: true },
    { path: '/unit/:tag/record/:id', name: 'record', component: () => import('./record/RecordPage.vue'), props: true },
    { path: '/:lost(.*)', redirect: '/' },
  ],
})
