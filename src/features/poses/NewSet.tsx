'use client';
import { useEffect, useRef, useState } from 'react';

export function NewSet({ onCreate, onCancel }: { onCreate: (name: string) => void; onCancel: () => void }) {
  const [name, setName] = useState('');
  const field = useRef<HTMLInputElement>(null);
  useEffect(() => field.current?.focus(), []);
  return (
    <form
      className="mt-4 flex flex-wrap items-end gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        if (name.trim()) onCreate(name.trim());
      }}
    >
      <label>
        <span className="block font-semibold">What is the set called?</span>
        <input
          ref={field}
          className="input mt-1"
          maxLength={80}
          value={name}
          onChange={(event) => setName(event.target.value)}
          onKeyDown={(event) => {
            if (event.key === 'Escape') onCancel();
          }}
          placeholder="Hands, market people, …"
        />
      </label>
      <button type="submit" className="btn" disabled={!name.trim()}>
        Make the set
      </button>
      <button type="button" className="btn-quiet btn" onClick={onCancel}>
        Cancel
      </button>
    </form>
  );
}
