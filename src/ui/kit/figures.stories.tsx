/** Numbers and what leads to them: the ladder, shares, hours of a week, legends, checks, previews of what will be sent, time that passes. */
import {
  ChartBox,
  DefinitionList,
  Disclosure,
  DocumentArea,
  EditorFrame,
  ErrorMessage,
  Figure,
  FindingList,
  FormEnd,
  HourCell,
  HoursGrid,
  Left,
  Legend,
  LetterPreview,
  MailPreview,
  PhonePreview,
  Rails,
  Row,
  Rung,
  ScaledFrame,
  ShareBar,
  Stack,
  Text,
  Timer,
  TypedField,
  Columns,
} from '.';

export default { title: 'Figures' };

export const Ladder = () => (
  <Rails>
    <Rung fixed>
      <span>–</span>
      <span>Whoever has an agent already goes to them</span>
      <Text>
        <Figure>41</Figure> <ShareBar aria-hidden="true" share={0.6} />
      </Text>
    </Rung>
    <Rung>
      <span>1</span>
      <span>
        Buyers in Saltmarsh
        <Text block tone="soft" small>
          to Lakeside, by round robin
        </Text>
      </span>
      <Text>
        <Figure tone="late">0</Figure> <ShareBar aria-hidden="true" share={0} />
      </Text>
    </Rung>
  </Rails>
);

export const Numbers = () => (
  <Stack>
    <Row>
      <Figure tone="good">1:12</Figure>
      <Figure tone="soft">0:08</Figure>
      <Left until="2026-11-23T18:28:59Z" />
      <Left until="2026-11-23T18:24:30Z" />
      <Timer since="2026-11-23T18:20:00Z" />
    </Row>
    <HoursGrid role="group" aria-label="Leads by hour" tabIndex={0}>
      <span>Mon</span>
      {Array.from({ length: 24 }, (_, hour) => (
        <HourCell key={hour} share={hour / 24}>
          {hour}
        </HourCell>
      ))}
    </HoursGrid>
    <ChartBox height={40}>
      <Legend color="var(--mui-palette-primary-main)">Attempted</Legend>
    </ChartBox>
    <DefinitionList>
      <dt>Leads</dt>
      <dd>Leads assigned to the agent in this period.</dd>
    </DefinitionList>
    <Disclosure>
      <summary>What counts as a conversation</summary>
      <Text>A call of two minutes or more.</Text>
    </Disclosure>
  </Stack>
);

export const Checks = () => (
  <Stack width={460}>
    <FindingList aria-label="Checks">
      <ul>
        <li data-level="error">
          <details>
            <summary>
              <span data-sign="">!</span>
              <span>No link to unsubscribe</span>
            </summary>
            <p>Every email to more than one person needs one.</p>
          </details>
        </li>
      </ul>
    </FindingList>
    <ErrorMessage error={new Error('Couldn’t save: the name is taken.')} />
    <TypedField label="Size" value={3} onChange={() => {}} read={Number} show={String} help="Enter a number like 3" />
    <FormEnd does="Save" onCancel={() => {}} />
    <FormEnd does="Delete" warn may={false} onCancel={() => {}} />
  </Stack>
);

export const Previews = () => (
  <Columns least={300} gap={4}>
    <PhonePreview>
      <div>(360) 555-0142</div>
      <div data-bubble="">Hi Oda, is the house on Juniper Ln still on your mind?</div>
    </PhonePreview>
    <PhonePreview dark>
      <div>(360) 555-0142</div>
      <div data-bubble="">In the dark</div>
    </PhonePreview>
    {[{ narrow: true }, { dark: true }].map((seen) => (
      <MailPreview key={Object.keys(seen)[0]} {...seen}>
        <div data-from="">
          <b>Three homes by the water</b>
          <span>Ada Lindqvist · to oda@brackwater.example</span>
        </div>
        <div data-body="">Hi Oda,</div>
      </MailPreview>
    ))}
    <LetterPreview tabIndex={0} role="region" aria-label="Letter">
      <div data-window="">{'Oda Brandvold\n14 Juniper Ln'}</div>
      <div data-body="">Dear Oda,</div>
    </LetterPreview>
    <ScaledFrame title="Page" srcDoc="<p>A page</p>" width={600} height={120} scale={0.4} sandbox="" />
    <EditorFrame>
      <div role="toolbar" aria-label="Format">
        Bold
      </div>
      <DocumentArea>
        <div data-document="" role="textbox" aria-label="Body" aria-multiline="true" tabIndex={0}>
          <h2>Three homes</h2>
          <p>They are all by the water.</p>
          <blockquote>“Quiet, and ten minutes from the ferry.”</blockquote>
        </div>
      </DocumentArea>
    </EditorFrame>
  </Columns>
);
