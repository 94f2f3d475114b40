export { ChangeHub } from './hub.ts';
