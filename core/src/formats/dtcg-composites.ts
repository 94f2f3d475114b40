import { round } from '../number/index.ts';
import { BUTTON_STATES } from '../background/index.ts';
import { MOTION_USES, type Brand } from '../site/index.ts';
import { styleSizeAt } from '../style/index.ts';

/** A composite token as it stands in a DTCG file. */
export interface Composite {
  readonly path: string;
  readonly token: { readonly [key: string]: unknown };
}

const px = (value: number) => ({ value, unit: 'px' });

/**
 * Composite tokens of the DTCG format (2025.10, section 9), put together from
 * references to the brand's own tokens: the typography of every text style,
 * the borders of fields, rules and buttons on every ground, and the transition
 * of what moves. Nothing in them is not said elsewhere in the file as well.
 */
export function* compositesOf(brand: Brand): Iterable<Composite> {
  for (const id of brand.styleOrder) {
    const style = brand.styles[id]!;
    const part = (name: string) => `{text.${style.path}.${name}}`;
    yield {
      path: `typography.${style.path}`,
      token: {
        $type: 'typography',
        $description: style.label,
        $value: {
          fontFamily: part('family'),
          fontSize: part('size'),
          fontWeight: part('weight'),
          lineHeight: part('line-height'),
          // Letter spacing is a dimension there: em at the size it has at the large width.
          letterSpacing: px(round(style.letterSpacing * styleSizeAt(brand, style, brand.scale.large.width), 3)),
        },
      },
    };
  }
  const border = (path: string, label: string, color: string, use: string): Composite => ({
    path: `border.${path}`,
    token: {
      $type: 'border',
      $description: label,
      $value: { color: `{${color}}`, width: `{edge.${use}}`, style: 'solid' },
    },
  });
  for (const id of brand.groundOrder) {
    const ground = brand.grounds[id]!;
    yield border(
      `${ground.path}.field`,
      `Border of fields on ${ground.label}`,
      `background.${ground.path}.field-edge`,
      'field',
    );
    yield border(`${ground.path}.rule`, `Divider on ${ground.label}`, `background.${ground.path}.rule`, 'rule');
    for (const variant of brand.variantOrder) {
      const { path, label } = brand.variants[variant]!;
      yield border(
        `${ground.path}.button.${path}`,
        `Border of ${label} on ${ground.label}`,
        `background.${ground.path}.button.${path}.edge.${BUTTON_STATES[0]}`,
        'button',
      );
    }
  }
  for (const use of MOTION_USES) {
    const motion = brand.motion?.items[brand.motion.uses[use] ?? ''];
    if (motion)
      yield {
        path: `transition.${use}`,
        token: {
          $type: 'transition',
          $description: `How ${use}s change their state`,
          $value: {
            duration: `{motion.${motion.path}.duration}`,
            delay: { value: 0, unit: 'ms' },
            timingFunction: `{motion.${motion.path}.easing}`,
          },
        },
      };
  }
}
