'use client';
/** Choosing tags while one types; a name that is new becomes a tag in passing, with a color. */
import { useState } from 'react';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { TAG_COLORS, type TagColor } from '@/core/tags';
import { ask, freshKey, useFormat } from '../primitives';
import { useTags, type Tag } from '../segments';
import { Chip, CHIP_COLORS, Combo, Row, Stack, Swatches, useToast } from '../kit';

export const TagChip = ({ name, color, onRemove }: { name: string; color?: string; onRemove?: () => void }) => (
  <Chip color={color ?? 'stone'} removes={`Remove tag ${name}`} onRemove={onRemove}>
    {name}
  </Chip>
);

export function TagPicker({
  label,
  chosen,
  onChange,
  mayMake,
  autoFocus,
  only,
}: {
  label: string;
  chosen: string[];
  onChange: (ids: string[]) => void;
  mayMake?: boolean;
  autoFocus?: boolean;
  /** Only these are offered, with how many of those in question have each. */
  only?: Map<string, number>;
}) {
  const { data: tags = [] } = useTags();
  const [made, setMade] = useState<Tag | null>(null);
  const format = useFormat();
  const queries = useQueryClient();
  const toast = useToast();
  const known = made && !tags.some(({ id }) => id === made.id) ? [...tags, made] : tags;
  const heard = () => {
    void queries.invalidateQueries({ queryKey: ['tags'] });
    void queries.invalidateQueries({ queryKey: ['vocabulary'] });
  };
  const make = useMutation({
    mutationFn: (name: string) => ask('POST /tags', { body: { name }, headers: freshKey() }),
    onSuccess: (tag) => {
      setMade(tag);
      queries.setQueryData<Tag[]>(['tags'], (all) => all && [...all, tag]);
      heard();
      onChange([...chosen, tag.id]);
    },
    onError: toast.fail,
  });
  const paint = useMutation({
    mutationFn: (color: TagColor) => ask('PATCH /tags/{id}', { params: { id: made!.id }, body: { color } }),
    onSuccess: (tag) => {
      setMade(tag);
      queries.setQueryData<Tag[]>(['tags'], (all) => all?.map((one) => (one.id === tag.id ? tag : one)));
      heard();
    },
    onError: toast.fail,
  });
  return (
    <Stack gap={1.5}>
      {chosen.length > 0 && (
        <Row gap={1}>
          {chosen.map((id) => {
            const tag = known.find((one) => one.id === id);
            return (
              <TagChip
                key={id}
                name={tag?.name ?? '…'}
                color={tag?.color}
                onRemove={() => onChange(chosen.filter((one) => one !== id))}
              />
            );
          })}
        </Row>
      )}
      <Combo
        label={label}
        autoFocus={autoFocus}
        options={known
          .filter(({ id }) => !chosen.includes(id) && (!only || only.has(id)))
          .map(({ id, name, color, uses }) => ({
            value: id,
            name,
            look: <TagChip name={name} color={color} />,
            note: format.number(only?.get(id) ?? uses),
          }))}
        onPick={(id) => onChange([...chosen, id])}
        onMake={mayMake ? (name) => make.mutate(name) : undefined}
        makes="Create tag"
      />
      {made && (
        <Swatches
          label={`Color of ${made.name}`}
          colors={TAG_COLORS.map((color) => ({ key: color, look: CHIP_COLORS[color]! }))}
          chosen={made.color}
          onPick={(color) => paint.mutate(color)}
        />
      )}
    </Stack>
  );
}
