'use client';
import { Copy, Minus, Pin, Plus, Redo2, Scissors, Trash2, Undo2, ZoomIn, ZoomOut } from 'lucide-react';
import type { ReactNode } from 'react';
import { bodyBlock, linesBlock, lookBackBlock, restBlock } from '@/core/practice/edit/newBlock';
import type { RecipeBlock } from '@/core/practice/plan/recipe';
import type { PlanEditor } from './usePlanEditor';

interface Acts {
  longer: () => void;
  shorter: () => void;
  duplicate: () => void;
  split: () => void;
  remove: () => void;
  pin: () => void;
}
interface ToolbarProps {
  act: Acts;
  none: boolean;
  editor: PlanEditor;
  canZoom: { in: boolean; out: boolean };
  onZoom: (step: 1 | -1) => void;
  /** What it takes, in a few words. */
  needs: string;
  onAdd: () => void;
  onPut: (blocks: RecipeBlock[], words: string) => void;
}

/** What can be done with the chosen blocks, under the ribbon. */
export function Toolbar({ act, none, editor, canZoom, onZoom, needs, onAdd, onPut }: ToolbarProps) {
  const { newId, undoWords, redoWords } = editor;
  return (
    <div className="no-print flex flex-wrap items-center gap-1 py-1" role="toolbar" aria-label="Blocks">
      <button id="add-poses" type="button" className="btn btn-sm" onClick={onAdd} title="Add a block (N)">
        <Plus size={16} aria-hidden /> Add poses
      </button>
      <Put label="Rest" onPut={() => onPut([restBlock(newId(), 120_000)], 'Added')} />
      <Put label="Look back" onPut={() => onPut([lookBackBlock(newId(), 60_000)], 'Added')} />
      <Put label="Lines" onPut={() => onPut([linesBlock(newId(), 1)], 'Added')} />
      <Put label="Body" onPut={() => onPut([bodyBlock(newId(), 5000)], 'Added')} />
      <span aria-hidden className="mx-2 h-5 border-l border-hairline" />
      <Tool label="Shorter (−)" disabled={none} onPress={act.shorter}>
        <Minus size={16} aria-hidden />
      </Tool>
      <Tool label="Longer (+)" disabled={none} onPress={act.longer}>
        <Plus size={16} aria-hidden />
      </Tool>
      <Tool label="Duplicate (D)" disabled={none} onPress={act.duplicate}>
        <Copy size={16} aria-hidden />
      </Tool>
      <Tool label="Split in two (S)" disabled={none} onPress={act.split}>
        <Scissors size={16} aria-hidden />
      </Tool>
      <Tool label="Pin: leave as it is when fitting (P)" disabled={none} onPress={act.pin}>
        <Pin size={16} aria-hidden />
      </Tool>
      <Tool label="Delete (Del)" disabled={none} onPress={act.remove}>
        <Trash2 size={16} aria-hidden />
      </Tool>
      <span aria-hidden className="mx-2 h-5 border-l border-hairline" />
      <Tool label={undoWords ? `Undo: ${undoWords} (Ctrl+Z)` : 'Undo'} disabled={!undoWords} onPress={editor.undo}>
        <Undo2 size={16} aria-hidden />
      </Tool>
      <Tool label={redoWords ? `Redo: ${redoWords} (Ctrl+Y)` : 'Redo'} disabled={!redoWords} onPress={editor.redo}>
        <Redo2 size={16} aria-hidden />
      </Tool>
      <span className="ml-auto text-[14px] text-quiet">{needs}</span>
      <span className="flex gap-1">
        <Tool label="Narrower ribbon" disabled={!canZoom.out} onPress={() => onZoom(-1)}>
          <ZoomOut size={16} aria-hidden />
        </Tool>
        <Tool label="Wider ribbon" disabled={!canZoom.in} onPress={() => onZoom(1)}>
          <ZoomIn size={16} aria-hidden />
        </Tool>
      </span>
    </div>
  );
}

function Put({ label, onPut }: { label: string; onPut: () => void }) {
  return (
    <button type="button" className="btn border-0 btn-ghost btn-sm" onClick={onPut}>
      {label}
    </button>
  );
}

function Tool({
  label,
  disabled,
  onPress,
  children,
}: {
  label: string;
  disabled: boolean;
  onPress: () => void;
  children: ReactNode;
}) {
  return (
    <button
      type="button"
      className="btn btn-square border-0 btn-ghost btn-sm max-sm:h-11 max-sm:w-11"
      aria-label={label}
      title={label}
      disabled={disabled}
      onClick={onPress}
    >
      {children}
    </button>
  );
}
