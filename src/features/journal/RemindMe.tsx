/** Puts a proposal into the note that is shown when the next session begins. */
export function RemindMe({ onPress }: { onPress: () => void }) {
  return (
    <button type="button" className="btn-quiet btn ml-2 min-h-10 btn-sm" onClick={onPress}>
      Remind me
    </button>
  );
}
