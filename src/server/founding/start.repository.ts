/** How far a brokerage has come with its first steps, by what stands in its tables. */
import { startGaps, startSteps, type Scope, type StartFacts, type StartGap, type StartStep } from '@/core/accounts';
import { readMailConnection, readSettings } from '../accounts';
import { connectedChannels } from '../messages';
import { config, reader } from '../shared';

type Counted = Pick<StartFacts, 'contacts' | 'sources' | 'leads' | 'users' | 'invited' | 'campaignsOn' | 'onRosters'>;

/** The steps and what is missing. */
export async function readStart({ accountId }: Scope): Promise<{ steps: StartStep[]; gaps: StartGap[] }> {
  const [counted, settings, mail] = await Promise.all([
    countStart(accountId),
    readSettings(accountId),
    readMailConnection(accountId),
  ]);
  const channels = connectedChannels();
  const facts: StartFacts = {
    ...counted,
    mail: mailState(mail),
    postalAddress: settings.postalAddress.trim() !== '',
    texts: channels.text,
    calls: channels.call,
    letters: channels.letter,
    registry: config().services.registry !== null,
    receivesMail: config().receivesMail,
  };
  return { steps: startSteps(facts, settings.skippedSteps), gaps: startGaps(facts) };
}

function mailState({ own, by_installation }: Awaited<ReturnType<typeof readMailConnection>>): StartFacts['mail'] {
  if (own?.state === 'works' || (by_installation && !own)) return 'connected';
  return own ? ({ checking: 'checking', fails: 'failing' } as const)[own.state] : 'missing';
}

const countStart = async (accountId: string): Promise<Counted> =>
  (await reader().first<Counted>(
    `select (select count(*)::int from (select 1 from contacts where account_id = $1 limit 100000) c) as contacts,
       (select count(*)::int from doors where account_id = $1 and active and (address is not null or kind = 'page')) as sources,
       (select count(*)::int from (select 1 from inquiries where account_id = $1 limit 100000) i) as leads,
       (select count(*)::int from users where account_id = $1 and active) as users,
       (select count(*)::int from user_invitations where account_id = $1 and accepted_at is null and revoked_at is null and ends_at > clock_timestamp()) as invited,
       (select count(*)::int from campaigns where account_id = $1 and state = 'on') as "campaignsOn",
       (select count(distinct m.user_id)::int from roster_members m join rosters r on r.id = m.roster_id and r.deleted_at is null where r.account_id = $1 and m.state = 'in') as "onRosters"`,
    [accountId],
  ))!;
