'use client';
/** Setup for those who run the office: sections at the left, each with an address of its own, and a search over everything in them. */
import { useEffect, useState, type ReactNode } from 'react';
import { useRouter } from 'next/navigation';
import type { SettingsView, UserView } from '@/core/accounts';
import type { Jsoned } from '@/core/shared';
import { useIsNarrow } from '../primitives';
import { DoorsSetup } from '../capture';
import { Webhooks } from '../webhooks';
import { Combo, PageHead, Select, SideNav, Stack } from '../kit';
import { Audit } from './audit';
import { Data } from './data';
import { Fields } from './fields';
import { Formats } from './formats';
import { Guardrails } from './guardrails';
import { Keys } from './keys';
import { partId, SETUP_SECTIONS, type SetupSection, type SetupSectionKey } from './sections';
import { StageAndHorizon } from './stage-and-horizon';
import { Stuck } from './stuck';
import { Tags } from './tags';
import { TemplatesAndBrand } from './templates-and-brand';
import { Users } from './users';
import type { Viewer } from './user-line';
import { MailServer } from './mail-server';
import { Offices } from './offices';
import { Roles } from './roles';
import { Teams } from './teams';
import { Start } from './start';
import { StatesSetting } from './states-setting';
import { TwoStepRoles } from './two-step-roles';

interface SetupData {
  me: Viewer;
  settings: SettingsView;
  users: Jsoned<UserView>[];
}
const SHOWN: Record<SetupSectionKey, (data: SetupData) => ReactNode> = {
  start: () => <Start />,
  office: ({ settings, users, me }) => (
    <>
      <Users users={users} me={me} />
      <Roles />
      <Teams users={users} />
      <Offices />
      <TwoStepRoles first={settings.second_step_roles} />
      <StatesSetting first={settings.states} />
      <Formats settings={settings} />
    </>
  ),
  stages: () => (
    <>
      <StageAndHorizon kind="stages" />
      <StageAndHorizon kind="horizons" />
    </>
  ),
  tags: ({ settings }) => (
    <>
      <Tags settings={settings} />
      <Fields />
    </>
  ),
  sources: () => <DoorsSetup />,
  guardrails: ({ settings }) => <Guardrails first={settings} />,
  templates: () => <TemplatesAndBrand />,
  data: () => <Data />,
  connections: () => <MailServer />,
  keys: () => (
    <>
      <Keys />
      <Webhooks />
      <Stuck />
    </>
  ),
  audit: () => <Audit />,
};

export function SetupArea({ section, ...data }: SetupData & { section: SetupSectionKey }) {
  const narrow = useIsNarrow();
  const router = useRouter();
  useShownPart();
  const { name } = SETUP_SECTIONS.find(({ key }) => key === section)!;
  const pathOf = (key: string) => `/setup/${key}`;
  return (
    <SideNav
      label="Sections of Setup"
      links={SETUP_SECTIONS.map(({ key, name: words }) => ({ href: pathOf(key), name: words, here: key === section }))}
      above={<FindSetting />}
      instead={
        narrow && (
          <Stack gap={2}>
            <FindSetting />
            <Select
              aria-label="Section of Setup"
              width="100%"
              value={section}
              onChange={({ target }) => router.push(pathOf(target.value))}
            >
              {SETUP_SECTIONS.map(({ key, name: words }) => (
                <option key={key} value={key}>
                  {words}
                </option>
              ))}
            </Select>
          </Stack>
        )
      }
    >
      <PageHead title={name} />
      <Stack gap={7} width={860}>
        {SHOWN[section](data)}
      </Stack>
    </SideNav>
  );
}

/** Everything that can be set, found by its name. */
function FindSetting() {
  const router = useRouter();
  const [text, setText] = useState('');
  const all = (SETUP_SECTIONS as readonly SetupSection[]).flatMap((section) =>
    section.places.map((place) => ({
      value: `${section.key}#${partId(place.part)}#${place.name}`,
      name: place.name,
      note: section.name,
    })),
  );
  return (
    <Combo
      label="Find a setting"
      typed={text}
      onType={setText}
      options={matching(all, text)}
      onPick={(value) => {
        const [key, part] = value.split('#');
        setText('');
        router.push(`/setup/${key}#${part}`);
      }}
    />
  );
}
const matching = <One extends { name: string; note: string }>(all: One[], text: string): One[] => {
  const words = text.toLowerCase().split(/\s+/).filter(Boolean);
  return all.filter(({ name, note }) => words.every((word) => `${name} ${note}`.toLowerCase().includes(word)));
};

/** The part that an address names takes the focus when it is there. */
function useShownPart(): void {
  useEffect(() => {
    const show = () => {
      const part = document.getElementById(window.location.hash.slice(1));
      part?.scrollIntoView();
      part?.focus({ preventScroll: true });
    };
    const timer = setTimeout(show, 300);
    window.addEventListener('hashchange', show);
    return () => {
      clearTimeout(timer);
      window.removeEventListener('hashchange', show);
    };
  }, []);
}
