import { FIGURE_WISHES, type FigureWish, type Wishes, wishesSchema } from '@/core/references/wishes';
import { without } from '@/core/without';

const WISHES = Object.keys(FIGURE_WISHES) as FigureWish[];

/** Who is drawn and how they are seen: sex, age, build and view, each of them or any. */
export function FigureWishFields({
  wishes,
  className,
  onChange,
}: {
  wishes: Wishes;
  /** Of each field. */
  className: string;
  onChange: (change: <T extends Wishes>(before: T) => T) => void;
}) {
  return WISHES.map((wish) => {
    const { label, any, options, words } = FIGURE_WISHES[wish];
    const wordOf = (option: string): string => (words as Record<string, string>)[option] ?? option;
    return (
      <select
        key={wish}
        aria-label={label}
        className={className}
        value={wishes[wish] ?? ''}
        onChange={({ target }) => {
          const value = wishesSchema.shape[wish].safeParse(target.value).data;
          onChange((before) => {
            const rest = without(before, wish) as typeof before;
            return value === undefined ? rest : { ...rest, [wish]: value };
          });
        }}
      >
        <option value="">{any}</option>
        {options.map((option) => (
          <option key={option} value={option}>
            {wordOf(option)}
          </option>
        ))}
      </select>
    );
  });
}
