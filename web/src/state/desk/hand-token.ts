import type { Store } from '@ngrx/store';
import { swatchPath, type Site } from '@yohaku/core';
import { DeskActions } from './desk.ts';
import type { Step } from './steps.ts';

/** Takes a token in hand where it can be edited: its step opens with what it belongs to chosen. */
export function handToken(store: Store, site: Site, path: string): void {
  const { brand } = site;
  const [room, second] = path.split('.');
  const ground =
    Object.values(brand.grounds).find((entry) => room === 'background' && entry.path === second)?.id ?? null;
  const step: Step =
    room === 'color'
      ? 'colour'
      : room === 'background'
        ? path.includes('.button.')
          ? 'buttons'
          : 'backgrounds'
        : room === 'text' || room === 'scale' || room === 'family'
          ? 'type'
          : room === 'logo'
            ? 'sources'
            : 'buttons';
  store.dispatch(DeskActions.step({ step }));
  if (room === 'color')
    store.dispatch(
      DeskActions.choose({
        choice: { swatch: Object.values(brand.swatches).find((swatch) => swatchPath(swatch) === path)?.id ?? null },
      }),
    );
  if (ground)
    store.dispatch(
      DeskActions.choose({
        choice: { ground, role: step === 'backgrounds' ? path.split('.').slice(2).join('.') : null },
      }),
    );
  if (room === 'text')
    store.dispatch(
      DeskActions.choose({
        choice: { style: Object.values(brand.styles).find((style) => style.path === second)?.id ?? null },
      }),
    );
  store.dispatch(DeskActions.take({ token: path }));
}
