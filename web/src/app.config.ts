import { provideHttpClient } from '@angular/common/http';
import { registerLocaleData } from '@angular/common';
import en from '@angular/common/locales/en-GB';
import { type ApplicationConfig, LOCALE_ID, provideZonelessChangeDetection } from '@angular/core';
import { provideRouter } from '@angular/router';
import { provideEffects } from '@ngrx/effects';
import { provideStore } from '@ngrx/store';
import { provideNzNoAnimation } from 'ng-zorro-antd/core/animation';
import { en_GB, provideNzI18n } from 'ng-zorro-antd/i18n';
import { provideNzIcons } from 'ng-zorro-antd/icon';
import {
  type AuditState,
  type DeskState,
  type SiteState,
  type SourcesState,
  auditReducer,
  deskReducer,
  rememberedDesk,
  siteReducer,
  sourcesReducer,
} from './state/index.ts';
import { ROUTES } from './routes.ts';
import { SiteEffects } from './state/site/site.effects.ts';

registerLocaleData(en);

export const appConfig: ApplicationConfig = {
  providers: [
    provideZonelessChangeDetection(),
    provideRouter(ROUTES),
    provideHttpClient(),
    provideStore<{ site: SiteState; desk: DeskState; audit: AuditState; sources: SourcesState }>(
      { site: siteReducer, desk: deskReducer, audit: auditReducer, sources: sourcesReducer },
      // In a development build the store also checks that no state or action is changed in place.
      { initialState: { desk: rememberedDesk() } },
    ),
    provideEffects(SiteEffects),
    // Its controls wait for the end of motions that the desk does not have.
    provideNzNoAnimation(),
    provideNzI18n(en_GB),
    provideNzIcons([]),
    { provide: LOCALE_ID, useValue: 'en-GB' },
  ],
};
