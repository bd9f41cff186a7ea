/** What is brought into another order by keyboard and by pointer, read out as it moves; tiles taken to places. */
import { useState } from 'react';
import { act, fireEvent, screen, waitFor } from '@testing-library/react';
import { show } from '../../../tests/harness/render';
import { DragBoard, GrabHandle, moved, Row, Sortable, useDragTile, useDropPlace, useSortableItem } from '.';

/** jsdom lays nothing out: each `data-place` stands below the one before it, 40 high. */
beforeEach(() => {
  jest.spyOn(HTMLElement.prototype, 'getBoundingClientRect').mockImplementation(function (this: HTMLElement) {
    const top = 40 * Number(this.dataset.place ?? 0);
    return { x: 0, y: top, top, left: 0, bottom: top + 40, right: 200, width: 200, height: 40, toJSON: () => ({}) };
  });
  window.HTMLElement.prototype.scrollIntoView = jest.fn();
});
afterEach(() => jest.restoreAllMocks());

function Columns({ onMove }: { onMove: (from: number, to: number) => void }) {
  const [names, setNames] = useState(['Name', 'Stage', 'Horizon']);
  return (
    <Sortable
      id="columns"
      keys={names}
      nameOf={(name) => name}
      onMove={(from, to) => {
        onMove(from, to);
        setNames(moved(names, from, to));
      }}
    >
      {names.map((name, at) => (
        <Column key={name} name={name} at={at} />
      ))}
    </Sortable>
  );
}
function Column({ name, at }: { name: string; at: number }) {
  const { item, handle } = useSortableItem(name);
  return (
    <Row {...item} data-place={at}>
      {name}
      <GrabHandle name={name} handle={handle} />
    </Row>
  );
}
const order = () => screen.getAllByRole('button', { name: /^Move / }).map((one) => one.getAttribute('aria-label'));
/** The sensors listen to the document only after a turn. */
const turn = () => act(() => new Promise((resolve) => setTimeout(resolve, 0)));
const key = async (code: string) => {
  fireEvent.keyDown(document.activeElement!, { code });
  await turn();
};

test('by keyboard: taken up, moved, put down, and each is read out', async () => {
  const onMove = jest.fn();
  show(<Columns onMove={onMove} />);
  screen.getByRole('button', { name: 'Move Name' }).focus();
  await key('Space');
  expect(screen.getByRole('status')).toHaveTextContent('Name is at place 1 of 3.');
  await key('ArrowDown');
  await waitFor(() => expect(screen.getByRole('status')).toHaveTextContent('Name is at place 2 of 3.'));
  await key('Space');
  await waitFor(() => expect(onMove).toHaveBeenCalledWith(0, 1));
  expect(screen.getByRole('status')).toHaveTextContent('Name put down at place');
  expect(order()).toEqual(['Move Stage', 'Move Name', 'Move Horizon']);
});

test('Esc puts it back', async () => {
  const onMove = jest.fn();
  show(<Columns onMove={onMove} />);
  screen.getByRole('button', { name: 'Move Stage' }).focus();
  await key('Space');
  await key('ArrowDown');
  await key('Escape');
  await waitFor(() => expect(screen.getByRole('status')).toHaveTextContent('Stage stays where it was.'));
  expect(onMove).not.toHaveBeenCalled();
});

test('a handle says how it is used', () => {
  show(<Columns onMove={() => {}} />);
  const handle = screen.getByRole('button', { name: 'Move Horizon' });
  expect(handle).toHaveAccessibleDescription('To move it, press Space, then the arrow keys, then Space again. Esc puts it back.');
});

test('by pointer: a drag moves it, a click does not', async () => {
  const onMove = jest.fn();
  show(<Columns onMove={onMove} />);
  const handle = screen.getByRole('button', { name: 'Move Name' });
  fireEvent.mouseDown(handle, { clientX: 10, clientY: 10, button: 0 });
  fireEvent.mouseUp(document);
  expect(onMove).not.toHaveBeenCalled();
  fireEvent.mouseDown(handle, { clientX: 10, clientY: 10, button: 0 });
  fireEvent.mouseMove(document, { clientX: 10, clientY: 30 });
  await turn();
  fireEvent.mouseMove(document, { clientX: 10, clientY: 95 });
  await turn();
  fireEvent.mouseUp(document);
  await waitFor(() => expect(onMove).toHaveBeenCalledWith(0, 2));
});

function Tile() {
  return <div data-testid="tile" {...useDragTile('email', false)} />;
}
function Place({ name, at }: { name: string; at: number }) {
  const { ref, over } = useDropPlace(name);
  return (
    <div ref={ref} data-place={at} data-testid={name}>
      {over ? 'here' : ''}
    </div>
  );
}
test('a tile is let go at a place, which shows that it is above it', async () => {
  const onDrop = jest.fn();
  show(
    <DragBoard id="ruler" onDrop={onDrop}>
      <Tile />
      <Place name="day 1" at={2} />
      <Place name="day 3" at={4} />
    </DragBoard>,
  );
  fireEvent.mouseDown(screen.getByTestId('tile'), { clientX: 10, clientY: 10, button: 0 });
  fireEvent.mouseMove(document, { clientX: 10, clientY: 60 });
  await turn();
  fireEvent.mouseMove(document, { clientX: 10, clientY: 170 });
  await waitFor(() => expect(screen.getByTestId('day 3')).toHaveTextContent('here'));
  fireEvent.mouseUp(document);
  await waitFor(() => expect(onDrop).toHaveBeenCalledWith('email', 'day 3'));
});
