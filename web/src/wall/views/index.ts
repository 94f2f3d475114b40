export { LogoWall } from './logo-wall.ts';
export { PinWall } from './pin-wall.ts';
export { SourceWall } from './source-wall.ts';
export { SpecimenWall } from './specimen-wall.ts';
