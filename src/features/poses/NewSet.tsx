'use client';
import { useState } from 'react';

export function NewSet({ onCreate, onCancel }: { onCreate: (name: string) => void; onCancel: () => void }) {
  const [name, setName] = useState('');
  return (
    <form
      className="mt-4 flex flex-wrap items-end gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        if (name.trim()) onCreate(name.trim());
      }}
      onKeyDown={(event) => {
        if (event.key === 'Escape') onCancel();
      }}
    >
      <label>
        <span className="block font-semibold">What is the set called?</span>
        {/* The field appears because it was asked for. */}
        {/* eslint-disable-next-line jsx-a11y/no-autofocus */}
        <input
          autoFocus
          className="input mt-1"
          maxLength={80}
          value={name}
          onChange={(event) => setName(event.target.value)}
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
