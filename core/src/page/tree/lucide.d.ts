/** Icons are taken one by one: the whole set is two thousand modules. */
declare module 'lucide/dist/esm/icons/*.mjs' {
  const shapes: readonly (readonly [string, Record<string, string | number>])[];
  export default shapes;
}
