import type { Body } from '@/core/body/body';
import { db } from '@/storage/db';

export async function loadBody(pictureId: string): Promise<Body | undefined> {
  return (await db()).get('bodies', pictureId);
}
