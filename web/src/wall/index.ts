export { Wall } from './wall.ts';
