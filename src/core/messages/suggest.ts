/** What an answer asks for next: read by rules from its words, offered and never done by itself. */

export type Suggestion =
  | { do: 'nothing'; because: string }
  | { do: 'judge'; because: string }
  | { do: 'call'; because: string }
  | { do: 'answer'; because: string }
  | { do: 'meet'; because: string }
  | { do: 'later'; because: string }
  | { do: 'let_go'; because: string }
  | { do: 'mend'; because: string };

const RULES: [RegExp, Suggestion][] = [
  [
    /\b(?:wrong (?:number|person)|who is this|you have the wrong|not (?:my|the right) number|don[’']t know you)\b/i,
    { do: 'mend', because: 'They don’t know who this is, or it’s the wrong number.' },
  ],
  [
    /\b(?:not interested|no longer (?:looking|interested)|(?:already|just) (?:bought|found|signed|sold)|found (?:a|one|something)|leave me|no thanks?|please don[’']t)\b/i,
    { do: 'let_go', because: 'They don’t need us right now.' },
  ],
  [
    /\b(?:call|ring|phone) (?:me|us)\b|\ba (?:phone )?call\b|\bgive (?:me|us) a (?:call|ring)\b|\bcan we talk\b|\bcould you call\b/i,
    { do: 'call', because: 'They asked for a call.' },
  ],
  [
    /\b(?:meet|come by|stop by|(?:can|could) (?:we|i) see|see it|look at it|viewing|visit|show (?:me|us)|tour|appointment)\b|\b(?:mon|tues|wednes|thurs|fri|satur|sun)day\b.{0,30}\b(?:works?|suits?|fine|free|good)\b|\b(?:free|available) (?:on|at|this|next)\b/i,
    { do: 'meet', because: 'They named a time or want to see something.' },
  ],
  [
    /\b(?:next (?:year|spring|summer|autumn|fall|winter)|in (?:a few|some|six|several) months|not (?:yet|now|right now|this (?:week|month|year))|maybe (?:later|spring|summer|next)|later (?:this|in the) year|only (?:starting|beginning)|just (?:starting|looking|browsing))\b/i,
    { do: 'later', because: 'They’re not in a hurry.' },
  ],
  [/\?/, { do: 'answer', because: 'They asked a question.' }],
];

/** @param optOut they said stop @param unclear what they wrote may mean that, and nobody has said yet */
export function suggestNext(text: string, optOut: boolean, unclear = false): Suggestion {
  if (optOut) return { do: 'nothing', because: 'They opted out. Nothing more goes to them this way.' };
  if (unclear) return { do: 'judge', because: 'This may mean stop. Campaigns are paused until you decide.' };
  for (const [pattern, suggestion] of RULES) if (pattern.test(text)) return suggestion;
  return { do: 'answer', because: 'They wrote.' };
}
export const SUGGESTION_WORDS: Record<Suggestion['do'], string> = {
  nothing: 'Nothing to do',
  judge: 'Stop messages?',
  call: 'Call them',
  answer: 'Reply',
  meet: 'Set the appointment',
  later: 'Set their horizon',
  let_go: 'Archive, politely',
  mend: 'Fix the number or name',
};
