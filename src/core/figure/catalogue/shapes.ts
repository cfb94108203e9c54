import { CATALOGUE, type CatalogueEntry } from './catalogue';
import shapes from './shapes.json';

const byId = new Map(CATALOGUE.map(({ id }, i) => [id, shapes[i]]));

/** What a shipped view looks like, as `readShape` reads it. Apart from the catalogue: only choosing needs it. */
export const shapeOf = ({ id }: Pick<CatalogueEntry, 'id'>): string => byId.get(id) as string;
