/** What people of the made-up world do by themselves: they look at homes in the evening, save some, open e-mails, ring back. */
import type { Activity, ActivityData } from '@/core/contacts';
import { DAY, HOUR, MINUTE, type Random } from '@/core/shared';
import type { WorldContact } from './contact';
import { START } from './settings';

/** Adds it to the contact's history, in the order in which it happened. */
export function browse(contact: WorldContact, random: Random): void {
  const add = (kind: Activity['kind'], at: Date, data: ActivityData, channel: Activity['channel'] = null) => {
    if (at < START && at > contact.createdAt)
      contact.activities.push({ contactId: contact.id, userId: null, at, kind, channel, direction: 'in', data, because: null });
  };
  for (const sent of [...contact.activities])
    if (sent.kind === 'message' && sent.channel === 'email' && sent.direction === 'out' && random.chance(0.45))
      add('opened', new Date(sent.at.getTime() + random.int(4, 1_400) * MINUTE), { text: sent.data.subject ?? '' }, 'email');
  if (random.chance(0.32)) {
    const homes = contact.town.streets;
    let at = new Date(contact.createdAt.getTime() + random.int(1, 20) * DAY + random.int(0, 5) * HOUR);
    for (let visits = random.int(1, 7); visits > 0; visits -= 1) {
      add('visit', at, { text: `Looked at ${random.int(2, 14)} homes in ${contact.town.name}` });
      if (random.chance(0.35))
        add('saved_home', new Date(at.getTime() + 3 * MINUTE), { text: `${random.int(3, 240)} ${random.pick(homes)}` });
      at = new Date(at.getTime() + random.int(1, 12) * DAY);
    }
  }
  if (contact.phone && random.chance(0.06))
    add(
      'call',
      new Date(contact.createdAt.getTime() + random.int(2, 60) * DAY),
      { outcome: 'no_answer', talkSeconds: 0 },
      'call',
    );
  contact.activities.sort((a, b) => a.at.getTime() - b.at.getTime());
}
