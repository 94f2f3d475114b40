import { type SetValue } from '@yohaku/core';
import { type Difference, type Row } from '../../state/index.ts';

export const plainRow = (page: string, place: string, label: string): Row => ({
  page,
  place,
  kind: 'surface',
  label,
  rule: null,
  verdict: 'bound',
  width: 1280,
  state: 'rest',
  found: null,
  needed: 0,
  before: null,
  tokens: [],
  reason: '',
});

export function rowOfValue(value: SetValue): Row {
  const { override, place } = value;
  const css = override.value.kind === 'literal' ? override.value.css : override.value.path;
  return {
    ...plainRow(place?.page ?? '', override.place, place?.label ?? override.place),
    verdict: value.standing,
    width: override.band === 'phone' ? 390 : override.band === 'tablet' ? 800 : 1280,
    tokens: [override.id],
    reason: `${override.property} ${css}${override.band ? ` on ${override.band}` : ''}${override.reason ? `; “${override.reason}”` : ''}`,
  };
}

export function rowOfDifference({ page, place, kind, label, width, property, computed, painted }: Difference): Row {
  return {
    ...plainRow(page, place, label),
    kind,
    width,
    reason: `${property}: ${computed} expected, ${painted} rendered`,
  };
}
