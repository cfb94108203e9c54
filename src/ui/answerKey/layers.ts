/** Layers of the answer key, in the order they are drawn; the key that switches each. */
export const LAYERS = [
  { id: 'light', label: 'Light and shadow', hotkey: '0' },
  { id: 'negatives', label: 'Negative shapes', hotkey: '9' },
  { id: 'contours', label: 'Contours', hotkey: '8' },
  { id: 'envelope', label: 'Envelope', hotkey: '7' },
  { id: 'heads', label: 'Half and heads', hotkey: '6' },
  { id: 'plumb', label: 'Plumb and level', hotkey: '5' },
  { id: 'planes', label: 'Planes', hotkey: 'p' },
  { id: 'solids', label: 'Solids', hotkey: 's' },
  { id: 'masses', label: 'Masses', hotkey: '2' },
  { id: 'tilts', label: 'Tilts', hotkey: '3' },
  { id: 'action', label: 'Action line', hotkey: '1' },
  { id: 'landmarks', label: 'Landmarks', hotkey: '4' },
] as const;
export type LayerId = (typeof LAYERS)[number]['id'];

export const isLayer = (id: string): id is LayerId => LAYERS.some((layer) => layer.id === id);

/** Layers with one more, or without one that was there. */
export function toggledLayer(layers: ReadonlySet<LayerId>, layer: LayerId): Set<LayerId> {
  const next = new Set(layers);
  if (!next.delete(layer)) next.add(layer);
  return next;
}
