/** Many rows, what happened line by line, and sentences of which parts can be pressed. */
import { useState } from 'react';
import { Check } from 'lucide-react';
import {
  BareButton,
  DataGrid,
  EventLine,
  EventList,
  HeadButton,
  HeadEdge,
  HomeButton,
  Joint,
  ListRow,
  ROW_HEIGHT,
  SaidButton,
  ScrollList,
  SentenceBar,
  ShelfButton,
  Stack,
  Strip,
  Text,
  TwoLines,
} from '.';

export default { title: 'Rows' };

const PEOPLE = [
  ['Piet Nakagami', 'Talking', '$420,000'],
  ['Oda Brandvold', 'New', '$615,000'],
  ['Teo Marchetti', 'Client', '$380,000'],
] as const;

export const Grid = () => (
  <DataGrid tabIndex={0} role="region" aria-label="Contacts">
    <table>
      <thead>
        <tr>
          {['Name', 'Stage', 'Max price'].map((name, at) => (
            <th key={name} scope="col" aria-sort={at === 0 ? 'ascending' : undefined}>
              <HeadButton>{name}</HeadButton>
              <HeadEdge aria-hidden="true" />
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {PEOPLE.map(([name, stage, price], at) => (
          <tr
            key={name}
            data-row=""
            data-at={at === 0 ? '' : undefined}
            data-open={at === 1 ? '' : undefined}
            style={{ height: ROW_HEIGHT }}
          >
            <td>{name}</td>
            <td>
              {stage}
              <BareButton className="edit" aria-label={`Change the stage of ${name}`}>
                <Check size={14} aria-hidden="true" />
              </BareButton>
            </td>
            <td data-numeric="">{price}</td>
          </tr>
        ))}
      </tbody>
    </table>
  </DataGrid>
);

export const Sentence = () => {
  const [on, setOn] = useState('hot');
  return (
    <Stack>
      <Strip>
        {[
          ['hot', 'Hot, not spoken with', 12],
          ['past', 'Past clients', 340],
        ].map(([key, name, count]) => (
          <ShelfButton key={key} aria-pressed={on === key} onClick={() => setOn(String(key))}>
            {name} <b>{count}</b>
          </ShelfButton>
        ))}
      </Strip>
      <SentenceBar>
        Contacts whose <SaidButton>stage is Talking</SaidButton>
        <Joint or={false}> and </Joint>
        <SaidButton>horizon is 0–3 months</SaidButton>
        <Joint or>or</Joint>
        <SaidButton gone>tag is (deleted)</SaidButton>{' '}
        <span data-count="">
          <span>1,284</span> people
        </span>
      </SentenceBar>
    </Stack>
  );
};

export const Events = () => (
  <EventList>
    <EventLine>
      <Text as="time" tone="soft" small>
        9:12 AM
      </Text>
      <i>
        <Check size={15} aria-hidden="true" />
      </i>
      <div className="words">Note: wants a slip for the boat</div>
      <BareButton className="pin" aria-label="Pin this note">
        <Check size={15} aria-hidden="true" />
      </BareButton>
    </EventLine>
    <EventLine data-from-them="">
      <Text as="time" tone="soft" small>
        9:40 AM
      </Text>
      <i title="from them">
        <Check size={15} aria-hidden="true" />
      </i>
      <div className="words">A call after five would be best</div>
    </EventLine>
  </EventList>
);

export const Scrolling = () => {
  const [at, setAt] = useState('Piet Nakagami');
  return (
    <ScrollList tabIndex={0} role="region" aria-label="Conversations">
      {PEOPLE.map(([name]) => (
        <ListRow key={name} ruled chosen={at === name} onChoose={() => setAt(name)}>
          <Text strong block>
            {name}
          </Text>
          <TwoLines>
            {'Is the house on Juniper Ln still available?\nWe could come on Saturday.\nOr on Sunday, after church.'}
          </TwoLines>
        </ListRow>
      ))}
      <HomeButton aria-current="true">
        <svg viewBox="0 0 76 56" aria-hidden="true">
          <rect width="76" height="56" fill="currentColor" opacity="0.3" />
        </svg>
        <span>
          <Text strong block>
            14 Juniper Ln
          </Text>
          <Text tone="soft" small>
            3 bd, 2 ba
          </Text>
        </span>
        <Text>$415,000</Text>
      </HomeButton>
    </ScrollList>
  );
};
