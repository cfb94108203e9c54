/** Keyword under which a picture saved as PNG carries the figure it shows. */
export const FIGURE_KEYWORD = 'fox-minute-figure';

/** The set that takes figures from pictures which were put into no set. */
export const FIGURES_FROM_FILES = { id: 'figures-from-files', name: 'Figures from files' } as const;
