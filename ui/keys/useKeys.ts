'use client';

import { useEffect, useRef } from 'react';

/** A key's name as people say it: modifiers in the order Ctrl, Alt, Shift, then the key. */
export type KeyTable = Record<string, (event: KeyboardEvent) => void>;

function nameOf(event: KeyboardEvent): string {
  const key = event.key === ' ' ? 'Space' : event.key.length === 1 ? event.key.toLowerCase() : event.key;
  const letter = /^[a-z]$/.test(key);
  // Shift is part of the character itself for signs like ?, so it is only named where it is a modifier.
  const shift = event.shiftKey && (letter || key.length > 1) ? 'Shift ' : '';
  return `${event.ctrlKey || event.metaKey ? 'Ctrl ' : ''}${event.altKey ? 'Alt ' : ''}${shift}${key}`;
}

const FIELDS =
  'input:not([type="checkbox"]), textarea, select, [contenteditable="true"], [role="dialog"], [role="combobox"], [role="listbox"]';

/** Where letters and Enter belong to somebody else: fields, open dialogs and menus. */
function isBusy(event: KeyboardEvent): boolean {
  const target = event.target as HTMLElement | null;
  if (target?.closest(FIELDS)) return true;
  // A box that is ticked takes Space, and nothing else.
  if (event.key === ' ' && target?.closest('input')) return true;
  if (document.querySelector('.ant-modal-wrap:not([style*="display: none"])')) return true;
  // Enter and Space press the button that somebody went to by Tab; a button that was only clicked does not keep them.
  return wentByTab && (event.key === 'Enter' || event.key === ' ') && !!target?.closest('button, a, [role="slider"]');
}

let wentByTab = false;

if (typeof window !== 'undefined') {
  window.addEventListener('keydown', (event) => (wentByTab ||= event.key === 'Tab'), true);
  window.addEventListener('pointerdown', () => (wentByTab = false), true);
}

/** Listens for keys on the whole page, except while a field or dialog has the focus. */
export function useKeys(table: KeyTable): void {
  const latest = useRef(table);
  useEffect(() => {
    latest.current = table;
  });
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.defaultPrevented || isBusy(event)) return;
      const run = latest.current[nameOf(event)];
      if (!run) return;
      event.preventDefault();
      run(event);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
}
