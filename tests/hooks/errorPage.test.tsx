// @vitest-environment jsdom
import { cleanup, render, screen } from '@testing-library/react';
import { IDBFactory } from 'fake-indexeddb';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import ErrorPage from '@/app/error';
import { closeDb } from '@/storage/db';

beforeEach(async () => {
  await closeDb();
  globalThis.indexedDB = new IDBFactory();
});
afterEach(cleanup);

it('a page that failed offers to try again, to take everything out and to put settings back', async () => {
  const reset = vi.fn();
  render(<ErrorPage reset={reset} />);
  screen.getByRole('button', { name: 'Try again' }).click();
  expect(reset).toHaveBeenCalledOnce();
  // Fetched only now, since every page carries the page for errors.
  expect(await screen.findByRole('button', { name: /^Take / })).toBeTruthy();
  expect(await screen.findByRole('button', { name: /settings/i })).toBeTruthy();
});
