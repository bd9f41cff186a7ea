'use client';
/** What belongs to Campaigns: the campaigns, broadcasts, and the templates that both use. */
import Link from 'next/link';
import { usePathname } from 'next/navigation';
import { LinkTabs } from '../kit';

const TABS = [
  ['/campaigns', 'Campaigns'],
  ['/campaigns/broadcasts', 'Broadcasts'],
  ['/campaigns/templates', 'Templates'],
] as const;

export function CampaignTabs() {
  const path = usePathname();
  return (
    <LinkTabs aria-label="Campaigns, broadcasts, templates">
      {TABS.map(([href, name]) => (
        <Link key={href} href={href} prefetch={false} aria-current={path === href ? 'page' : undefined}>
          {name}
        </Link>
      ))}
    </LinkTabs>
  );
}
