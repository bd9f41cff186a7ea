'use client';
/** The office that somebody works at, in a form. */
import { useQuery } from '@tanstack/react-query';
import { ask } from '../primitives';
import { SelectFormField } from '../kit';

export function OfficeFormField() {
  const { data: offices = [] } = useQuery({ queryKey: ['offices'], queryFn: async () => (await ask('GET /offices')).items });
  return (
    <SelectFormField name="office_id" label="Office">
      <option value="">No office</option>
      {offices.map(({ id, name }) => (
        <option key={id} value={id}>
          {name}
        </option>
      ))}
    </SelectFormField>
  );
}
