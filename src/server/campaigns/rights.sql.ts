/** What a campaign may do to a contact: what the office may, for one of the team's; what its agent may by hand, for an agent's own. */

/**
 * Whether a contact is not one for whom a campaign may act, in SQL over their rows. An agent's own campaign is for the agent's own
 * contacts, as long as they are theirs and the agent is here.
 */
export const foreignTo = (campaign: string, contact: string): string =>
  `(not ${campaign}.shared and ${campaign}.made_by is not null and not exists (select 1 from users maker where maker.id = ${campaign}.made_by and maker.active
      and (maker.role in ('owner','admin') or ${contact}.owner_id = maker.id)))`;
