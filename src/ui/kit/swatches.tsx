'use client';
/** One of a few colors, each with its name. */
import { styled } from '@mui/material/styles';
import { BareButton } from './button';
import { Row } from './layout';

const Swatch = styled(BareButton)(({ theme: { vars } }) => ({
  width: 24,
  height: 24,
  borderRadius: 6,
  border: `2px solid ${vars.palette.background.paper}`,
  '&[aria-checked="true"]': { outline: `2px solid ${vars.palette.text.primary}` },
}));

export function Swatches<Key extends string>({
  label,
  colors,
  chosen,
  onPick,
}: {
  label: string;
  colors: { key: Key; look: string }[];
  chosen: Key;
  onPick: (key: Key) => void;
}) {
  return (
    <Row role="radiogroup" aria-label={label} gap={1.5}>
      {colors.map(({ key, look }) => (
        <Swatch
          key={key}
          role="radio"
          aria-checked={key === chosen}
          aria-label={key}
          title={key}
          onClick={() => onPick(key)}
          style={{ background: look }}
        />
      ))}
    </Row>
  );
}
