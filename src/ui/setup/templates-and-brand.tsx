'use client';
/** What goes out under the brokerage's name: its templates, and the pages that the public sees. */
import { LinkButton } from '../kit';
import { Block } from './block';

export const TemplatesAndBrand = () => (
  <>
    <Block title="Templates" note="Texts, emails, letters and call scripts that everyone here can use.">
      <div>
        <LinkButton href="/campaigns/templates">Open templates</LinkButton>
      </div>
    </Block>
    <Block
      title="Public pages"
      note="Sign-up pages, open house sign-in and home search, with your name, colors and consent texts."
    >
      <div>
        <LinkButton href="/market/pages">Open public pages</LinkButton>
      </div>
    </Block>
  </>
);
