import { type Body, bodySchema } from '@/core/body/body';
import { announceRecords } from './changes';
import { db } from './db';

export async function loadBody(pictureId: string): Promise<Body | undefined> {
  return (await db()).get('bodies', pictureId);
}

export async function saveBody(body: Body): Promise<void> {
  await (await db()).put('bodies', bodySchema.parse(body));
  announceRecords('bodies', [body.id]);
}
