import { round } from '../number/index.ts';
import { cssColor, gradientCss } from '../color/index.ts';
import {
  BASE_ROLES,
  behindRole,
  buttonRoles,
  parseButtonRole,
  roleLabel,
  roleOn,
  BUTTON_PART_LABELS,
} from '../background/index.ts';
import { ruleSources } from '../palette/index.ts';
import type { Brand, TextStyle, Ground } from '../site/index.ts';
import { BANDS } from '../breakpoint/index.ts';
import { familyById, familyStack, fluidCss, fluidSize, scaleStep, widthOf } from '../type/index.ts';
import { mannersOf } from './auto-buttons.ts';
import { motionTokens } from './motion.ts';
import { isCore, roleColors } from './role-colors.ts';
import { shadowTokens, shapeTokens } from './shape-tokens.ts';
import { styleSize } from './style-size.ts';
import { resolvedSwatches, swatchPath, type ResolvedSwatch } from './swatches.ts';
import { type Token } from './token.ts';
import { stepLabel, stepPath } from './step-path.ts';

/** All tokens of a brand by path, in the order they are emitted. */
export type TokenTable = ReadonlyMap<string, Token>;

const tables = new WeakMap<Brand, TokenTable>();

/** The token table of a brand; the same brand gives the same table. */
export function tokenTable(brand: Brand): TokenTable {
  let table = tables.get(brand);
  if (!table) {
    const {
      families,
      fonts,
      scale,
      styles,
      styleOrder,
      corners,
      cornerList,
      edges,
      underline,
      sizes,
      sizeOrder,
      variants,
      variantOrder,
      shadows,
      logo,
      spaces,
      spaceOrder,
      motion,
    } = brand;
    const made = new Map<string, Token>();
    for (const token of colorTokens(brand)) made.set(token.path, token);
    // A colour held under the pointer leaves the rest of the table as it is.
    for (const token of typeOf([families, fonts, scale, styles, styleOrder], () => [...typeTokens(brand)]))
      made.set(token.path, token);
    for (const token of shapesOf(
      [
        corners,
        cornerList,
        edges,
        underline,
        sizes,
        sizeOrder,
        variants,
        variantOrder,
        shadows,
        logo,
        spaces,
        spaceOrder,
        motion,
      ],
      () => [...shapeTokens(brand), ...motionTokens(brand)],
    ))
      made.set(token.path, token);
    tables.set(brand, (table = made));
  }
  return table;
}

const typeOf = lastOf();
const shapesOf = lastOf();

/** Remembers the last tokens made, for as long as what they are made from is the same. */
function lastOf(): (from: readonly unknown[], make: () => Token[]) => readonly Token[] {
  let last: { from: readonly unknown[]; tokens: Token[] } | undefined;
  return (from, make) => {
    if (!last || last.from.some((entry, i) => entry !== from[i])) last = { from, tokens: make() };
    return last.tokens;
  };
}

/**
 * The tokens of a ground with what they were made from: the names of all they may point to, and the colours of those.
 */
const groundTables = new WeakMap<Ground, { names: string; colors: string; tokens: Token[] }>();

function* colorTokens(brand: Brand): Iterable<Token> {
  const swatches = resolvedSwatches(brand);
  for (const { swatch, rgb } of swatches) {
    const sources = swatch.rule ? ruleSources(swatch.rule).flatMap((id) => brand.swatches[id] ?? []) : [];
    yield {
      path: swatchPath(swatch),
      label: swatch.label,
      type: 'color',
      css: cssColor(rgb),
      ...(sources.length > 0 ? { follows: sources.map(swatchPath) } : {}),
      address: ['brand', 'swatches', swatch.id],
    };
  }
  const manners = [...mannersOf(brand)].join();
  const names = `${manners}|${swatches.map(({ swatch }) => `${swatch.id} ${swatchPath(swatch)} ${swatch.rule !== null}`).join()}|${brand.variantOrder.map((id) => `${id} ${brand.variants[id]!.path} ${brand.variants[id]!.label}`).join()}`;
  const colors = swatches.map(({ rgb }) => cssColor(rgb)).join();
  const byId = new Map(swatches.map((swatch) => [swatch.swatch.id, swatch]));
  for (const id of brand.groundOrder) {
    const ground = brand.grounds[id]!;
    let known = groundTables.get(ground);
    if (known?.names !== names || known.colors !== colors) {
      known = {
        names,
        colors,
        tokens: groundTokens(brand, ground, swatches, known?.names === names ? known.tokens : undefined),
      };
      groundTables.set(ground, known);
    }
    yield* known.tokens;
  }
  yield* shadowTokens(brand, (id) => {
    const swatch = byId.get(id);
    return swatch && { rgb: swatch.rgb, path: swatchPath(swatch.swatch) };
  });
}

/**
 * The tokens of a ground. `known`: those it had when only colours were other: what names another token has stayed the
 * same, however a colour is pulled.
 */
function groundTokens(
  brand: Brand,
  ground: Ground,
  swatches: readonly ResolvedSwatch[],
  known?: readonly Token[],
): Token[] {
  const path = (role: string) => rolePath(brand, ground, role);
  const colors = roleColors(ground, swatches, mannersOf(brand));
  return [
    ...rolesOf(brand, ground).map((role, i): Token => {
      const value = colors.value(role);
      const button = parseButtonRole(role);
      // Colours decide the automatic parts of buttons, so a changed colour can give another alias.
      const automatic = button !== undefined && ground.roles[role] === undefined;
      if (known && value.kind !== 'contrast' && value.kind !== 'readable' && !automatic) return known[i]!;
      const name = button
        ? `${brand.variants[button.variant]?.label ?? button.variant} ${BUTTON_PART_LABELS[button.part]}${button.state === 'rest' ? '' : `, ${button.state},`}`
        : roleLabel(role);
      const base = {
        path: path(role),
        label: roleOn(role, name, ground.label),
        type: 'color' as const,
        address: ['brand', 'grounds', ground.id, 'roles', role],
      };
      const behind =
        behindRole(role) === 'background'
          ? [path('background'), ...(ground.wash ? [path('background-to')] : [])]
          : [path(behindRole(role))];
      switch (value.kind) {
        case 'swatch': {
          const swatch = swatches.find((entry) => entry.swatch.id === value.swatch);
          return swatch ? { ...base, alias: swatchPath(swatch.swatch) } : { ...base, css: '#000000' };
        }
        case 'raw':
          return { ...base, css: cssColor(colors.rgb(role)) };
        case 'contrast': {
          const source = swatches.find((swatch) => swatch.swatch.id === value.swatch);
          return {
            ...base,
            css: cssColor(colors.rgb(role)),
            ...(source ? { follows: [behind[0]!, swatchPath(source.swatch)] } : {}),
          };
        }
        case 'same':
          return { ...base, alias: path(value.role) };
        case 'between':
          return {
            ...base,
            css: cssColor(colors.rgb(role)),
            follows: [path(value.role), path(value.with)],
            mixes: { from: path(value.role), with: path(value.with), share: value.share },
          };
        case 'readable': {
          const { color: entry, rgb, among } = colors.clearest(role);
          const follows = [
            ...behind,
            ...swatches.filter((each) => among !== 'core' || isCore(each)).map(({ swatch }) => swatchPath(swatch)),
          ];
          return entry
            ? { ...base, alias: swatchPath(entry.swatch), follows, chooses: true }
            : { ...base, css: cssColor(rgb), follows, chooses: true };
        }
      }
    }),
    ...(ground.wash
      ? [
          {
            path: path('wash'),
            label: `Gradient of ${ground.label}`,
            type: 'gradient' as const,
            css: gradientCss(ground.wash.angle, colors.rgb('background'), colors.rgb('background-to')),
            follows: [path('background'), path('background-to')],
            address: ['brand', 'grounds', ground.id, 'wash', 'angle'],
          },
        ]
      : []),
  ];
}

/** The roles of a ground that become tokens, in their order; a flat background has no far end. */
function rolesOf(brand: Brand, ground: Ground): string[] {
  return [
    ...BASE_ROLES.filter((role) => ground.wash || role !== 'background-to'),
    ...brand.variantOrder.flatMap(buttonRoles),
  ];
}

/** Token path of a role of a ground; button roles carry the variant's stored path. */
export function rolePath(brand: Brand, ground: Ground, role: string): string {
  const button = parseButtonRole(role);
  const tail = button
    ? `button.${brand.variants[button.variant]?.path ?? button.variant}.${button.part}.${button.state}`
    : role;
  return `background.${ground.path}.${tail}`;
}

function* typeTokens(brand: Brand): Iterable<Token> {
  for (const role of ['heading', 'body'] as const)
    yield {
      path: `family.${role}`,
      label: `${role === 'heading' ? 'Heading' : 'Body'} family`,
      type: 'fontFamily',
      css: familyStack(brand.families[role], brand.fonts),
      address: ['brand', 'families', role],
    };
  const steps = new Set<number>();
  for (const style of Object.values(brand.styles)) if (style.size.kind === 'step') steps.add(style.size.step);
  for (const step of [...steps].sort((value, other) => other - value))
    yield {
      path: stepPath(step),
      label: stepLabel(step),
      type: 'dimension',
      css: fluidCss(scaleStep(brand.scale, step)),
      address: ['brand', 'scale'],
    };
  for (const id of brand.styleOrder) {
    const style = brand.styles[id]!;
    const at = (field: string) => ['brand', 'styles', id, field];
    const base = `text.${style.path}`;
    yield {
      path: `${base}.family`,
      label: `${style.label} family`,
      type: 'fontFamily',
      alias: `family.${style.family}`,
      address: at('family'),
    };
    yield style.size.kind === 'step'
      ? {
          path: `${base}.size`,
          label: `${style.label} size`,
          type: 'dimension',
          alias: stepPath(style.size.step),
          address: at('size'),
        }
      : {
          path: `${base}.size`,
          label: `${style.label} size`,
          type: 'dimension',
          css: fluidCss(styleSize(brand, style)),
          address: at('size'),
        };
    for (const { id: band } of BANDS)
      if (style.at?.[band] !== undefined)
        yield {
          path: `${base}.size-on-${band}`,
          label: `${style.label} size on ${band}`,
          type: 'dimension',
          css: fluidCss(fluidSize(brand.scale, style.at[band], style.at[band])),
          address: [...at('at'), band],
        };
    if (style.figures)
      yield {
        path: `${base}.figures`,
        label: `${style.label} figures`,
        type: 'text',
        css: style.figures === 'table' ? 'tabular-nums' : 'normal',
        address: at('figures'),
      };
    if (style.longest !== undefined)
      yield {
        path: `${base}.longest`,
        label: `longest line of ${style.label}`,
        type: 'text',
        css: `${lineWidth(brand, style)}em`,
        address: at('longest'),
      };
    yield {
      path: `${base}.weight`,
      label: `${style.label} weight`,
      type: 'fontWeight',
      css: String(style.weight),
      address: at('weight'),
    };
    yield {
      path: `${base}.slant`,
      label: `${style.label} slant`,
      type: 'text',
      css: style.italic ? 'italic' : 'normal',
      address: at('italic'),
    };
    yield {
      path: `${base}.line-height`,
      label: `${style.label} line height`,
      type: 'number',
      css: String(style.lineHeight),
      address: at('lineHeight'),
    };
    yield {
      path: `${base}.letter-spacing`,
      label: `${style.label} letter spacing`,
      type: 'text',
      css: `${style.letterSpacing}em`,
      address: at('letterSpacing'),
    };
    yield {
      path: `${base}.case`,
      label: `${style.label} case`,
      type: 'text',
      css: style.textCase,
      address: at('textCase'),
    };
    yield {
      path: `${base}.space-above`,
      label: `space above ${style.label}`,
      type: 'dimension',
      css: `${style.spaceAbove}px`,
      address: at('spaceAbove'),
    };
    yield {
      path: `${base}.space-below`,
      label: `space below ${style.label}`,
      type: 'dimension',
      css: `${style.spaceBelow}px`,
      address: at('spaceBelow'),
    };
  }
}

/**
 * Width of the longest line of a style in em: so many characters of running text, each as wide as they are on average
 * in its family.
 */
function lineWidth(brand: Brand, style: TextStyle): number {
  const family = familyById(brand.families[style.family], brand.fonts);
  return round(
    style.longest! * ((family ? widthOf(family.metrics, style.weight, style.italic) : 0.5) + style.letterSpacing),
    2,
  );
}

/** The literal CSS value a token comes to in the end, with the paths on the way, its own first. */
export function resolveToken(table: TokenTable, path: string): { css: string; chain: string[] } {
  const chain: string[] = [];
  let token = table.get(path);
  while (token) {
    chain.push(token.path);
    // A loop ends here; documents have none (`LIMITS.ruleDepth`).
    if (token.alias === undefined || chain.includes(token.alias)) break;
    token = table.get(token.alias);
  }
  return { css: token?.css ?? '', chain };
}
