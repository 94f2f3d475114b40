export { writeDtcg } from './dtcg-write.ts';
