import type { Routes, UrlMatcher } from '@angular/router';
import { DeskView } from './views/desk-view.ts';
import { Nowhere } from './views/nowhere.ts';
import { SignIn } from './views/sign-in.ts';

/** `/sites/SITE` and `/sites/SITE/STEP` are one desk: going from step to step makes nothing anew. */
const desk: UrlMatcher = (segments) =>
  segments[0]?.path === 'sites' && (segments.length === 2 || segments.length === 3) ? { consumed: segments } : null;

export const ROUTES: Routes = [
  {
    path: '',
    pathMatch: 'full',
    title: 'Sites · Yohaku',
    loadComponent: () => import('./shelf/shelf.ts').then((entry) => entry.Shelf),
  },
  {
    path: 'new',
    title: 'New site · Yohaku',
    loadComponent: () => import('./shelf/new-site.ts').then((entry) => entry.NewSite),
  },
  { path: 'kit', title: 'Kit · Yohaku', loadComponent: () => import('./kit/kit.ts').then((entry) => entry.Kit) },
  {
    path: 'kit/empty',
    title: 'Kit · Yohaku',
    loadComponent: () => import('./kit/empty.ts').then((entry) => entry.Empty),
  },
  { path: 'sign-in', title: 'Sign in · Yohaku', component: SignIn },
  { matcher: desk, component: DeskView },
  { path: '**', title: 'Yohaku', component: Nowhere },
];
