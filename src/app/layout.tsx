import type { Metadata, Viewport } from 'next';
import localFont from 'next/font/local';
import type { ReactNode } from 'react';
import { Toasts } from '@/ui/toast/Toasts';
import { AppNotices } from '@/features/data/AppNotices';
import { FirstVisit } from '@/features/data/FirstVisit';
import { themeScript } from '@/ui/useTheme';
import './globals.css';

const piazzolla = localFont({
  src: '../../node_modules/@fontsource-variable/piazzolla/files/piazzolla-latin-wght-normal.woff2',
  variable: '--font-piazzolla',
  weight: '100 900',
  display: 'swap',
});
const atkinson = localFont({
  src: '../../node_modules/@fontsource-variable/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-wght-normal.woff2',
  variable: '--font-atkinson',
  weight: '200 800',
  display: 'swap',
});

export const metadata: Metadata = {
  title: { default: 'Fox Minute', template: '%s · Fox Minute' },
  description: 'Timed figure drawing practice: it keeps the time and the rules, you look and draw.',
};
export const viewport: Viewport = { width: 'device-width', initialScale: 1, viewportFit: 'cover' };

export default function RootLayout({ children }: { children: ReactNode }) {
  return (
    <html lang="en" className={`${piazzolla.variable} ${atkinson.variable}`} suppressHydrationWarning>
      <head>
        <script dangerouslySetInnerHTML={{ __html: themeScript }} />
      </head>
      <body className="min-h-dvh bg-ground font-sans text-ink">
        <AppNotices />
        {children}
        <Toasts />
        <FirstVisit />
      </body>
    </html>
  );
}
