export { ChangeHub, type Listener } from './hub.ts';
