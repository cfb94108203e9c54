import type { Page } from '@playwright/test';

/** What can be wrong with text on a screen, with the words concerned. */
export interface TextFault {
  kind: 'cut' | 'overlap' | 'run together' | 'off screen';
  words: string;
}

/**
 * Finds text that cannot be read: cut by a box around it, laid over other text, run together with its neighbor, or beyond the window.
 * Text scrolled out of a scrolling box is fine, and so is text covered by something opaque, such as a dialog.
 */
export const textFaults = (page: Page): Promise<TextFault[]> =>
  page.evaluate(() => {
    interface Line {
      words: string;
      element: Element;
      box: DOMRect;
      /** Room around the letters inside the line box, pixels, above and below. */
      inset: number;
    }
    type Fault = { kind: 'cut' | 'overlap' | 'run together' | 'off screen'; words: string };
    const faults: Fault[] = [];
    const styles = new Map<Element, CSSStyleDeclaration>();
    const styleOf = (element: Element): CSSStyleDeclaration => {
      const known = styles.get(element) ?? getComputedStyle(element);
      styles.set(element, known);
      return known;
    };
    const SCROLLS = /auto|scroll/;
    const HIDES = /hidden|clip/;
    const ancestors = (element: Element): Element[] => {
      const all: Element[] = [];
      for (let at: Element | null = element; at; at = at.parentElement) all.push(at);
      return all;
    };
    const isSeen = (element: Element): boolean =>
      element.checkVisibility({ opacityProperty: true, visibilityProperty: true, contentVisibilityAuto: true }) &&
      // A box of a pixel is for screen readers only.
      !ancestors(element).some((a) => a.matches('title, option, svg defs') || a.clientWidth === 1);

    const lines: Line[] = [];
    const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
    const range = document.createRange();
    for (let node = walker.nextNode(); node; node = walker.nextNode()) {
      const element = node.parentElement;
      if (!element || !node.textContent?.trim() || element.closest('script, style, noscript') || !isSeen(element))
        continue;
      range.selectNodeContents(node);
      const size = parseFloat(styleOf(element).fontSize);
      for (const box of range.getClientRects())
        if (box.width > 1 && box.height > 1)
          lines.push({
            words: node.textContent.trim(),
            element,
            box,
            inset: Math.max(0, (box.height - size * 0.7) / 2),
          });
    }

    /** The part of the window in which a text can be seen; undefined where it lies in a scrolling box, outside of it. */
    const roomFor = ({
      element,
      box,
    }: Line): { left: number; top: number; right: number; bottom: number } | undefined => {
      const room = { left: -1e5, top: -1e5, right: 1e5, bottom: 1e5 };
      let positioned = styleOf(element).position;
      for (const around of ancestors(element)) {
        const style = styleOf(around);
        // What is positioned escapes boxes between it and the box it is positioned in.
        const escapes = positioned === 'fixed' || (positioned === 'absolute' && style.position === 'static');
        if (!escapes && around !== document.body && around !== document.documentElement) {
          const { left, top, right, bottom } = around.getBoundingClientRect();
          if (SCROLLS.test(style.overflowX)) {
            if (box.right > right || box.left < left) return undefined;
          } else if (HIDES.test(style.overflowX)) {
            room.left = Math.max(room.left, left);
            room.right = Math.min(room.right, right);
          }
          if (SCROLLS.test(style.overflowY)) {
            if (box.bottom > bottom || box.top < top) return undefined;
          } else if (HIDES.test(style.overflowY)) {
            room.top = Math.max(room.top, top);
            room.bottom = Math.min(room.bottom, bottom);
          }
        }
        if (!escapes) positioned = style.position === 'static' ? positioned : style.position;
        if (style.position === 'fixed') break;
      }
      return room;
    };
    const shown: Line[] = [];
    for (const line of lines) {
      const { box, inset, words, element } = line;
      const room = roomFor(line);
      if (!room) continue;
      if (
        box.right > room.right + 1 ||
        box.left < room.left - 1 ||
        box.bottom - inset > room.bottom + 1 ||
        box.top + inset < room.top - 1
      )
        faults.push({ kind: 'cut', words });
      else if (
        box.right > document.documentElement.clientWidth + 1 ||
        box.left < -1 ||
        (styleOf(document.documentElement).overflow === 'hidden' && box.bottom > innerHeight)
      )
        faults.push({ kind: 'off screen', words });
      else if (
        ancestors(element).some(
          (a) =>
            styleOf(a).textOverflow === 'ellipsis' &&
            a.scrollWidth > a.clientWidth + 1 &&
            !ancestors(a).some((t) => t.getAttribute('title')?.includes(words)),
        )
      )
        faults.push({ kind: 'cut', words });
      else shown.push(line);
    }
    for (const field of document.querySelectorAll<HTMLInputElement>('input, select')) {
      if (!isSeen(field) || !/^(number|time|date|select-one)$/.test(field.type)) continue;
      if (field instanceof HTMLInputElement && field.scrollWidth > field.clientWidth + 1)
        faults.push({ kind: 'cut', words: `${field.ariaLabel ?? ''} ${field.value}` });
    }

    const opaque = (element: Element): boolean => {
      const { backgroundColor } = styleOf(element);
      const alpha = /rgba?\([^)]*?,\s*([\d.]+)\)$|\/\s*([\d.]+)%?\)$/.exec(backgroundColor);
      return (
        backgroundColor !== 'rgba(0, 0, 0, 0)' &&
        backgroundColor !== 'transparent' &&
        Number(alpha?.[1] ?? alpha?.[2] ?? 1) > 0.6
      );
    };
    /** Whether something opaque that belongs to one of two texts lies between them, so that only one is seen. */
    const covered = (a: Line, b: Line, x: number, y: number): boolean => {
      const stack = document.elementsFromPoint(x, y);
      const atA = stack.findIndex((e) => e === a.element || e.contains(a.element));
      const atB = stack.findIndex((e) => e === b.element || e.contains(b.element));
      const top = atA <= atB ? a.element : b.element;
      const under = top === a.element ? b.element : a.element;
      return (
        ancestors(top).some((e) => !e.contains(under) && opaque(e)) ||
        stack.slice(0, Math.max(atA, atB)).some((e) => !e.contains(under) && opaque(e))
      );
    };
    shown.sort((a, b) => a.box.top - b.box.top);
    const pairs = new Set<string>();
    shown.forEach((a, i) => {
      for (let j = i + 1; j < shown.length; j++) {
        const b = shown[j];
        if (b.box.top + b.inset > a.box.bottom) break;
        const across = Math.min(a.box.right, b.box.right) - Math.max(a.box.left, b.box.left);
        const down =
          Math.min(a.box.bottom - a.inset, b.box.bottom - b.inset) - Math.max(a.box.top + a.inset, b.box.top + b.inset);
        if (down <= 2 || a.element === b.element) continue;
        const words = `${a.words} | ${b.words}`;
        if (across > 2) {
          const x = (Math.min(a.box.right, b.box.right) + Math.max(a.box.left, b.box.left)) / 2;
          const y = (Math.min(a.box.bottom, b.box.bottom) + Math.max(a.box.top, b.box.top)) / 2;
          if (y < 0 || y > innerHeight || covered(a, b, x, y)) continue;
          if (!pairs.has(words)) faults.push({ kind: 'overlap', words });
          pairs.add(words);
        } else if (across > -2) {
          const [left, right] = a.box.left < b.box.left ? [a, b] : [b, a];
          const joined = /[\p{L}\p{N}.,?!]$/u.test(left.words) && /^[\p{L}\p{N}]/u.test(right.words);
          const oneWord = left.element.contains(right.element) || right.element.contains(left.element);
          const spaced = /\s$/.test(left.element.textContent) || /^\s/.test(right.element.textContent);
          if (joined && !oneWord && !spaced && !covered(a, b, right.box.left + 1, a.box.top + a.box.height / 2))
            faults.push({ kind: 'run together', words: `${left.words} | ${right.words}` });
        }
      }
    });
    // A text of several lines is one fault.
    return [...new Map(faults.map((fault) => [`${fault.kind} ${fault.words}`, fault])).values()];
  });

/**
 * Finds things to press that are smaller than 24 by 24 CSS pixels (WCAG 2.2, 2.5.8), other than words within a sentence and fields whose
 * label can be pressed instead.
 */
export const smallTargets = (page: Page): Promise<string[]> =>
  page.evaluate(() =>
    [...document.querySelectorAll<HTMLElement>('button, a[href], input, select, textarea, summary, [role=option]')]
      .filter((e) => e.checkVisibility({ opacityProperty: true, visibilityProperty: true }) && e.clientWidth !== 1)
      .filter(
        (e) =>
          !(
            e.matches('a, button') &&
            /\p{L}/u.test((e.previousSibling?.textContent ?? '') + (e.nextSibling?.textContent ?? '')) &&
            getComputedStyle(e).display === 'inline'
          ),
      )
      .map((e) => ({ e, box: (e.closest('label') ?? e).getBoundingClientRect() }))
      .filter(({ e, box }) => {
        const over = getComputedStyle(e, '::after');
        // A larger area laid over a link counts.
        const more = (side: string): number =>
          over.position === 'absolute' && over.content !== 'none' ? -2 * Math.min(0, parseFloat(side) || 0) : 0;
        return box.width + more(over.left) < 23.5 || box.height + more(over.top) < 23.5;
      })
      .map(
        ({ e, box }) =>
          `${(e.ariaLabel ?? e.textContent).trim().slice(0, 60) || e.outerHTML.slice(0, 80)} (${Math.round(box.width)}x${Math.round(box.height)})`,
      ),
  );
