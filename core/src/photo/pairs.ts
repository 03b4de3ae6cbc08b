/**
 * Whether a photo shows its thing after another one, straight or through others. A photo counts as after itself.
 * @param photos each with the photo that shows the same before
 */
export function showsAfter(
  photos: readonly { id: string; beforeId: string | null }[],
  id: string,
  earlier: string,
): boolean {
  const before = new Map(photos.map((p) => [p.id, p.beforeId]));
  for (let at: string | null = id; at !== null; at = before.get(at) ?? null) if (at === earlier) return true;
  return false;
}
