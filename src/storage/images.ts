import { db } from './db';

export const imageKey = (kind: 'page' | 'picture' | 'thumbnail', id: string): string => `${kind}/${id}`;

export async function loadImage(key: string): Promise<Blob | undefined> {
  return (await db()).get('images', key);
}
