/** Fields under their labels: empty, filled, wrong, disabled. */
import { useState } from 'react';
import {
  Checkbox,
  CheckboxGroup,
  Combo,
  CountField,
  DateField,
  Field,
  FileButton,
  Input,
  LimitField,
  MoneyField,
  NumberField,
  PhoneField,
  Radio,
  Row,
  Select,
  SpanField,
  Stack,
  Swatches,
  Textarea,
  TimeField,
} from '.';

export default { title: 'Field' };

export const Text = () => (
  <Stack gap={4} width={420}>
    <Field label="Name">{(control) => <Input {...control} defaultValue="Oda Brandvold" />}</Field>
    <Field label="Email" error="Enter an email address like oda@harbor.example">
      {(control) => <Input {...control} defaultValue="oda@" />}
    </Field>
    <Field label="Street" help="Shown in every email">
      {(control) => <Input {...control} placeholder="14 Heron Lane" />}
    </Field>
    <Field label="Key">{(control) => <Input {...control} disabled defaultValue="fixed" />}</Field>
    <Field label="In their words">
      {(control) => <Textarea {...control} defaultValue={'Three bedrooms.\nA yard for the dog.'} />}
    </Field>
    <Input look="quiet" aria-label="Quiet until it is pointed at" defaultValue="Nurture" />
  </Stack>
);

export const Choices = () => {
  const [by, setBy] = useState('text');
  const [color, setColor] = useState('teal');
  return (
    <Stack gap={4} width={420}>
      <Field label="Stage">
        {(control) => (
          <Select {...control} defaultValue="talking">
            <option value="new">New</option>
            <option value="talking">Talking</option>
          </Select>
        )}
      </Field>
      <Checkbox defaultChecked>Buyer</Checkbox>
      <Checkbox indeterminate aria-label="Some of them" />
      <Checkbox disabled>Seller</Checkbox>
      <CheckboxGroup
        label="Tell me by"
        options={[
          { value: 'text', label: 'text' },
          { value: 'email', label: 'email', disabled: true },
        ]}
        chosen={['email']}
        onChange={() => {}}
      />
      <Row role="radiogroup" aria-label="By">
        {['text', 'email'].map((one) => (
          <Radio key={one} name="by" checked={by === one} onChange={() => setBy(one)}>
            {one}
          </Radio>
        ))}
      </Row>
      <Combo
        label="Add to a campaign"
        options={[
          { value: '1', name: 'New buyer', note: '412' },
          { value: '2', name: 'Past client' },
        ]}
        onPick={() => {}}
        onMake={() => {}}
      />
      <Swatches
        label="Color"
        colors={[
          { key: 'teal', look: '#0b8097' },
          { key: 'rose', look: '#b8527a' },
        ]}
        chosen={color}
        onPick={setColor}
      />
      <FileButton label="A file of contacts" accept=".csv" onFile={() => {}}>
        Choose a file
      </FileButton>
    </Stack>
  );
};

export const Typed = () => {
  const [day, setDay] = useState<string | null>('2027-03-01');
  const [time, setTime] = useState<string | null>('10:30');
  const [price, setPrice] = useState<number | null>(400_000);
  const [beds, setBeds] = useState<number | null>(3);
  const [phone, setPhone] = useState<string | null>('+13605550142 x12');
  const [span, setSpan] = useState(7_200);
  const [days, setDays] = useState(14);
  const [limit, setLimit] = useState<number | null>(null);
  return (
    <Stack gap={4}>
      <DateField label="Move by" value={day} onChange={setDay} />
      <DateField label="Closing date" value={null} onChange={() => {}} error="Enter a date in the past" />
      <TimeField label="Time" value={time} onChange={setTime} />
      <MoneyField label="Max price" value={price} onChange={setPrice} />
      <NumberField label="Bedrooms" value={beds} onChange={setBeds} />
      <PhoneField label="Phone" value={phone} onChange={setPhone} />
      <SpanField label="Window" seconds={span} onChange={setSpan} />
      <CountField label="Days" min={1} max={30} value={days} onChange={setDays} />
      <LimitField label="Daily limit" placeholder="none" value={limit} onChange={setLimit} />
    </Stack>
  );
};
