/** Key of a place within a site. */
export function placeKey(place: { page: string; id: string }): string {
  return `${place.page} ${place.id}`;
}
