import type { Store } from '@ngrx/store';
import { swatchPath, type Site } from '@yohaku/core';
import { DeskActions, type Step } from './desk.ts';

/** Takes a token in hand where it can be edited: its step opens with what it belongs to chosen. */
export function handToken(store: Store, site: Site, path: string): void {
  const { brand } = site;
  const [room, second] = path.split('.');
  const ground = Object.values(brand.grounds).find((entry) => room === 'ground' && entry.path === second)?.id ?? null;
  const step: Step =
    room === 'color'
      ? 'colour'
      : room === 'ground'
        ? path.includes('.button.')
          ? 'buttons'
          : 'grounds'
        : room === 'text' || room === 'scale' || room === 'family'
          ? 'type'
          : room === 'logo'
            ? 'gather'
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
      DeskActions.choose({ choice: { ground, role: step === 'grounds' ? path.split('.').slice(2).join('.') : null } }),
    );
  if (room === 'text')
    store.dispatch(
      DeskActions.choose({
        choice: { style: Object.values(brand.styles).find((style) => style.path === second)?.id ?? null },
      }),
    );
  store.dispatch(DeskActions.take({ token: path }));
}
