import { uniqueName } from '../../palette/index.ts';
import type { Asset, Logo, LogoForm, Site } from '../../site/index.ts';
import type { Op } from '../change.ts';
import { insertOp, removeOp, setOp, type Edit } from './edit.ts';

/** Sizes of a logo that nobody has sized yet: px, px, and a share of the width. */
const START = { width: 72, smallest: 40, clear: 0.1 } as const;

/** Takes a picture in as a logo variant; the first one makes the logo and its icon. */
export function addLogoForm(site: Site, asset: Asset, form: Pick<LogoForm, 'id' | 'colors' | 'plate'>): Edit {
  const logo = site.shared.logo;
  const label = uniqueName(
    asset.name.replace(/\.\w+$/, '').slice(0, 76) || 'Logo',
    Object.values(logo?.forms ?? {}).map((entry) => entry.label),
  );
  const made: LogoForm = { ...form, label, asset: asset.id };
  const ops: Op[] = site.assets[asset.id] ? [] : [insertOp(site, ['assets'], null, asset.id, asset)];
  if (logo) ops.push(insertOp(site, ['shared', 'logo', 'forms'], ['shared', 'logo', 'formOrder'], made.id, made));
  else {
    const fresh: Logo = {
      forms: { [made.id]: made },
      formOrder: [made.id],
      onGround: {},
      named: true,
      icon: { form: made.id, ground: null, margin: 0.06 },
    };
    ops.push(setOp(site, ['shared', 'logo'], fresh));
    if (!site.brand.logo) ops.push(setOp(site, ['brand', 'logo'], START));
  }
  return { label: `${label} as a logo variant`, ops };
}

/** Takes a form away; grounds and icon that had it take what is left. The last one takes the logo with it. */
export function removeLogoForm(site: Site, id: string): Edit {
  const logo = site.shared.logo!;
  const label = `Delete logo form ${logo.forms[id]!.label}`;
  const replacement = logo.formOrder.find((form) => form !== id);
  if (replacement === undefined) return { label, ops: [setOp(site, ['shared', 'logo'], undefined)] };
  const ops: Op[] = Object.entries(logo.onGround)
    .filter(([, form]) => form === id)
    .map(([ground]) => setOp(site, ['shared', 'logo', 'onGround', ground], undefined));
  if (logo.icon.form === id) ops.push(setOp(site, ['shared', 'logo', 'icon', 'form'], replacement));
  ops.push(removeOp(site, ['shared', 'logo', 'forms'], ['shared', 'logo', 'formOrder'], id));
  return { label, ops };
}

/** Sets which form stands on a ground; undefined leaves it to the rule. */
export function setLogoOn(site: Site, ground: string, form: string | undefined): Edit {
  return {
    label: `Logo on ${site.brand.grounds[ground]!.label}`,
    ops: [setOp(site, ['shared', 'logo', 'onGround', ground], form)],
  };
}
