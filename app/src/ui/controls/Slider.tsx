import type { CSSProperties } from 'react';
import { touch } from '../theme/palette';
import { usePalette } from '../theme/Theme';

/** A slider for fingers and keys: the browser's own, in our colours. */
export function Slider({
  label,
  value,
  least = 0,
  most,
  step,
  said,
  onChange,
}: {
  label: string;
  value: number;
  least?: number;
  most: number;
  step: number;
  /** The value in words. */
  said: string;
  onChange: (value: number) => void;
}) {
  const palette = usePalette();
  return (
    <input
      type="range"
      aria-label={label}
      aria-valuetext={said}
      min={least}
      max={most}
      step={step}
      value={value}
      onChange={({ target }) => onChange(Number(target.value))}
      style={{ ...shape, accentColor: palette.teal }}
    />
  );
}

const shape: CSSProperties = { width: '100%', height: touch, margin: 0, cursor: 'pointer' };
