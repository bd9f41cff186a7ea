/** What lies above a page: dialogs, popups, notices; and what is brought into another order. */
import { useState } from 'react';
import {
  Button,
  DragBoard,
  Well,
  useDragTile,
  useDropPlace,
  Dialog,
  Field,
  GrabHandle,
  Input,
  moved,
  Popup,
  Row,
  Sortable,
  Stack,
  TextFormField,
  TypedFormField,
  useSaveForm,
  useSortableItem,
  useToast,
  CheckboxesFormField,
  CheckboxFormField,
  FormDialog,
  InlineForm,
  RadioFormField,
  SelectFormField,
  TextareaFormField,
} from '.';

export default { title: 'Overlay' };

export const InDialog = () => {
  const [name, setName] = useState('');
  return (
    <Dialog title="Rename segment" onClose={() => {}} onSubmit={() => {}} dirty={name !== ''} may={name !== ''}>
      <Field label="Name">
        {(control) => <Input {...control} value={name} onChange={(event) => setName(event.target.value)} />}
      </Field>
    </Dialog>
  );
};

export const InForm = () => {
  const form = useSaveForm({
    values: {
      name: 'Oda',
      price: 400_000,
      phone: '+13605550142',
      stage: 'talking',
      said: 'granted',
      note: '',
      team: true,
      by: ['text'],
    },
    save: () => Promise.resolve(),
    onSaved: () => {},
  });
  return (
    <FormDialog title="Edit contact" form={form} onClose={() => {}}>
      <TextFormField name="name" label="First name" />
      <TypedFormField is="money" name="price" label="Max price" />
      <TypedFormField is="phone" name="phone" label="Phone" />
      <SelectFormField name="stage" label="Stage" help="Campaigns end with their stage">
        <option value="new">New</option>
        <option value="talking">Talking</option>
      </SelectFormField>
      <RadioFormField
        name="said"
        label="What they said"
        options={[
          { value: 'granted', name: 'They said yes' },
          { value: 'withdrawn', name: 'They said no' },
        ]}
      />
      <TextareaFormField name="note" label="Note" />
      <CheckboxFormField name="team" label="Share with the team" />
      <CheckboxesFormField
        name="by"
        label="Tell me by"
        options={[
          { value: 'text', label: 'text' },
          { value: 'email', label: 'email' },
        ]}
      />
    </FormDialog>
  );
};

export const InLine = () => {
  const form = useSaveForm({ values: { name: '' }, save: () => Promise.resolve(), onSaved: () => {} });
  return (
    <InlineForm form={form} does="Add field" may={form.form.watch('name') !== ''}>
      <TextFormField name="name" label="New field name" />
    </InlineForm>
  );
};

export const InPopup = () => {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  return (
    <>
      <Button onClick={(event) => setAnchor(event.currentTarget)}>Columns</Button>
      <Popup anchor={anchor} label="Columns" onClose={() => setAnchor(null)}>
        <Input aria-label="Find a column" />
      </Popup>
    </>
  );
};

export const Notices = () => {
  const toast = useToast();
  return (
    <Row>
      <Button onClick={() => toast.tell('Tag “lake” removed.', () => {})}>With Undo</Button>
      <Button onClick={() => toast.fail(new Error('Couldn’t save: the name is taken.'))}>An error</Button>
    </Row>
  );
};

export const Order = () => {
  const [names, setNames] = useState(['Name', 'Stage', 'Horizon']);
  return (
    <Stack width={300}>
      <Sortable id="order" keys={names} nameOf={(name) => name} onMove={(from, to) => setNames(moved(names, from, to))}>
        {names.map((name) => (
          <One key={name} name={name} />
        ))}
      </Sortable>
    </Stack>
  );
};
const One = ({ name }: { name: string }) => {
  const { item, handle } = useSortableItem(name);
  return (
    <Row {...item} spread>
      {name}
      <GrabHandle name={name} handle={handle} />
    </Row>
  );
};

export const Board = () => {
  const [at, setAt] = useState('Day 1');
  return (
    <DragBoard id="board" onDrop={(_, place) => setAt(place)}>
      <Stack width={300}>
        {['Day 1', 'Day 3'].map((place) => (
          <Place key={place} name={place}>
            {at === place && <Tile />}
          </Place>
        ))}
      </Stack>
    </DragBoard>
  );
};
const Place = ({ name, children }: { name: string; children: React.ReactNode }) => {
  const { ref, over } = useDropPlace(name);
  return (
    <Well ref={ref}>
      {name} {over && 'here'}
      {children}
    </Well>
  );
};
const Tile = () => <div {...useDragTile('email', false)}>Email “Three homes”</div>;
