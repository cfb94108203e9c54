// How Debian's Chromium is started here, by the tests and by the scripts that take or make pictures.
import { existsSync } from 'node:fs';

/** Chromium without a desktop's windows: the same pages for two thirds of the processor time. */
export const HEADLESS_SHELL = '/usr/bin/chromium-headless-shell';
export const WHOLE_CHROMIUM = '/usr/bin/chromium';

export const CHROMIUM = {
  executablePath: process.env.CHROMIUM ?? (existsSync(HEADLESS_SHELL) ? HEADLESS_SHELL : WHOLE_CHROMIUM),
  args: [
    '--no-sandbox',
    '--use-gl=angle',
    '--use-angle=swiftshader',
    '--enable-unsafe-swiftshader',
    '--disable-background-networking',
    '--disable-component-update',
    '--no-first-run',
  ],
};

/**
 * The same, with pages put together in plain code, as on a machine without a graphics card: with an emulated one that alone takes most
 * of both cores, 80 ms for every frame. Figures are still drawn with the emulated one.
 */
export const PLAINLY_PAINTED = { ...CHROMIUM, args: [...CHROMIUM.args, '--disable-gpu-compositing'] };
