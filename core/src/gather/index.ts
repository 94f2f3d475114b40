export { candidates, type Candidate } from './candidates.ts';
export { planTaking, takePalette, type Taking } from './take.ts';
