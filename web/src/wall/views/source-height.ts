/** Height in px at which sources hang. */
export const SOURCE_HEIGHT = 290;
