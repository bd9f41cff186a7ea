'use client';
/** The states that somebody is licensed in: found by typing, each a chip that can be taken off. */
import { stateName, US_STATES } from '@/core/accounts';
import { Button, Combo, Row, Stack, Text } from '../kit';

const OPTIONS = US_STATES.map(({ code, name }) => ({ value: code, name }));

/** @param name of the field in a form that is sent without a script */
export function StatesField({
  label,
  name,
  chosen,
  onChange,
  error,
}: {
  label: string;
  name?: string;
  chosen: readonly string[];
  onChange: (states: string[]) => void;
  error?: string;
}) {
  return (
    <Stack gap={1}>
      <Text as="span" strong small>
        {label}
      </Text>
      {chosen.length > 0 && (
        <Row gap={1}>
          {chosen.map((code) => (
            <Button
              key={code}
              size="tiny"
              aria-label={`Remove ${stateName(code)}`}
              onClick={() => onChange(chosen.filter((one) => one !== code))}
            >
              {stateName(code)} ×
            </Button>
          ))}
        </Row>
      )}
      <Combo
        label={label}
        options={OPTIONS.filter(({ value }) => !chosen.includes(value))}
        onPick={(code) => onChange([...chosen, code])}
        placeholder={chosen.length ? 'Another state' : 'Type a state'}
      />
      {error && (
        <Text as="p" tone="late" small role="alert">
          {error}
        </Text>
      )}
      {name && chosen.map((code) => <input key={code} type="hidden" name={name} value={code} />)}
    </Stack>
  );
}
