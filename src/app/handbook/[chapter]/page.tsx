import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { chapterById, CHAPTERS } from '@/core/handbook/chapters';
import { ChapterView } from '@/features/handbook/ChapterView';
import { KeysChapter } from '@/features/handbook/KeysChapter';
import { WordsChapter } from '@/features/handbook/WordsChapter';

interface Props {
  params: Promise<{ chapter: string }>;
}
const OTHERS: Readonly<Record<string, { title: string; view: () => React.ReactNode }>> = {
  keys: { title: 'Keys and pedals', view: KeysChapter },
  words: { title: 'Words', view: WordsChapter },
};

export const dynamicParams = false;
export const generateStaticParams = (): { chapter: string }[] =>
  [...CHAPTERS.map(({ id }) => id), ...Object.keys(OTHERS)].map((chapter) => ({ chapter }));

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  const { chapter } = await params;
  return { title: chapterById(chapter)?.title ?? OTHERS[chapter]?.title ?? 'Handbook' };
}

export default async function Page({ params }: Props) {
  const { chapter: id } = await params;
  const chapter = chapterById(id);
  const Other = OTHERS[id]?.view;
  if (!chapter && !Other) notFound();
  return chapter ? <ChapterView chapter={chapter} /> : <Other />;
}
