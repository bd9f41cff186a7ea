/** The plan of a campaign of a few touches, for benches and drills. @returns as JSON */
export const planOf = (touches) =>
  JSON.stringify({
    roles: [],
    who: null,
    anyStage: false,
    starts: [],
    steps: touches.map((touch, id) => ({ id, do: 'touch', ...touch })),
    repeat: null,
    ends: { answered: 'end', pauseDays: 7, unreachable: 'end', then: [] },
    held: 'move',
  });
