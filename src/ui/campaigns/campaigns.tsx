'use client';
/** Campaigns: each on its day ruler, a lane per channel, the touches on their days with what became of them; the chosen touch as the person sees it. */
import { useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import type { CampaignView } from '@/core/campaigns';
import { CHANNEL_NAMES, CHANNELS, type Channel } from '@/core/contacts';
import { share } from '@/core/results';
import type { Jsoned } from '@/core/shared';
import { ask, Glyph } from '../primitives';

export type Campaign = Jsoned<CampaignView>;
type Touch = Campaign['touches'][number];

export function CampaignsArea({ first }: { first: Campaign[] }) {
  const { data: campaigns } = useQuery({
    queryKey: ['campaigns'],
    queryFn: async () => (await ask<{ items: Campaign[] }>('/campaigns')).items,
    initialData: first,
  });
  return (
    <>
      <div className="headline">
        <div>
          <h1>Follow-up that remembers</h1>
          <p className="soft">Touches go at the contact’s own hours and stop the moment the person answers.</p>
        </div>
      </div>
      {campaigns.length === 0 && <p className="empty">There is no campaign yet.</p>}
      {campaigns.map((campaign) => (
        <OneCampaign key={campaign.id} campaign={campaign} />
      ))}
    </>
  );
}

const whenOf = (touch: Touch): string =>
  'afterMinutes' in touch.when
    ? touch.when.afterMinutes === 0
      ? 'at once'
      : `after ${touch.when.afterMinutes} min`
    : touch.when.at;

function OneCampaign({ campaign }: { campaign: Campaign }) {
  const [chosen, setChosen] = useState(0);
  const days = Math.max(...campaign.touches.map((touch) => touch.day), 0) + 2;
  const touch = campaign.touches[chosen];
  return (
    <section aria-label={campaign.name} style={{ marginBottom: 32 }}>
      <div className="pair" style={{ borderBottom: 0 }}>
        <span>
          <span className="num">{campaign.name}</span>{' '}
          {campaign.exclusive_group && <span className="tag">only one of “{campaign.exclusive_group}” at a time</span>}
        </span>
        <span className="soft">
          <b className="good">{campaign.active.toLocaleString('en-US')}</b> under way · {campaign.total.toLocaleString('en-US')}{' '}
          ever, of them {share(campaign.answered, campaign.total) ?? 0} % answered,{' '}
          {share(campaign.finished, campaign.total) ?? 0} % heard it to the end, {share(campaign.opted_out, campaign.total) ?? 0}{' '}
          % opted out
        </span>
      </div>
      <div className="area" style={{ gridTemplateColumns: 'minmax(0, 1fr) minmax(280px, 400px)' }}>
        <div className="ruler" style={{ '--days': days } as React.CSSProperties}>
          <div className="lane days">
            <span />
            {Array.from({ length: days }, (_, day) => (
              <span key={day}>Day {day}</span>
            ))}
          </div>
          {CHANNELS.map((channel) => (
            <div key={channel} className="lane">
              <span className="name">
                <Glyph name={channel} /> {CHANNEL_NAMES[channel][0]!.toUpperCase() + CHANNEL_NAMES[channel].slice(1)}
              </span>
              {Array.from({ length: days }, (_, day) => (
                <span key={day}>
                  {campaign.touches.map(
                    (one, at) =>
                      one.channel === channel &&
                      one.day === day && (
                        <button
                          key={at}
                          type="button"
                          className={`touch${at === chosen ? ' sel' : ''}`}
                          onClick={() => setChosen(at)}
                          aria-pressed={at === chosen}
                        >
                          <b>{whenOf(one)}</b>
                          <span style={{ display: 'block' }}>
                            {one.sent.toLocaleString('en-US')} {one.channel === 'call' ? 'asked for' : 'went'}
                          </span>
                          {one.waiting > 0 && (
                            <span style={{ display: 'block' }}>{one.waiting.toLocaleString('en-US')} to go</span>
                          )}
                        </button>
                      ),
                  )}
                </span>
              ))}
            </div>
          ))}
        </div>
        {touch && <Preview touch={touch} />}
      </div>
    </section>
  );
}

function Preview({ touch }: { touch: Touch }) {
  return (
    <div className="panel sheet" aria-label="The chosen touch">
      <h2 style={{ marginBottom: 8 }}>
        {CHANNEL_NAMES[touch.channel as Channel]}, day {touch.day}, {whenOf(touch)}
      </h2>
      {touch.words.subject && <p className="strong">{touch.words.subject}</p>}
      <p>
        <WithFields text={touch.words.text} />
      </p>
      {touch.words.plain !== touch.words.text && (
        <>
          <h2 style={{ margin: '14px 0 4px' }}>Plain version, when something is not known</h2>
          <p className="soft small">
            <WithFields text={touch.words.plain} />
          </p>
        </>
      )}
    </div>
  );
}

/** The words with their merge fields set apart. */
function WithFields({ text }: { text: string }) {
  return text.split(/(\{\{.*?\}\})/).map((part, at) =>
    part.startsWith('{{') ? (
      <span key={at} className="tag" style={{ margin: 0 }}>
        {part.replace(/[{} ]/g, '').replaceAll('_', ' ')}
      </span>
    ) : (
      part
    ),
  );
}
