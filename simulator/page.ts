/** The simulator's own page: what the outside world received last. */
import type { SimulatorWorld } from './world';

const inert = (text: string): string => text.replace(/[&<>"]/g, (sign) => `&#${sign.charCodeAt(0)};`);

export function page(world: SimulatorWorld): string {
  const all = world.record.list({});
  const rows = all
    .slice(-100)
    .reverse()
    .map(
      (sent) =>
        `<tr><td>${inert(sent.at)}</td><td>${sent.channel}</td><td>${inert(sent.to)}</td><td>${inert(sent.subject ?? '')}</td><td>${inert(sent.body.slice(0, 200))}</td></tr>`,
    )
    .join('');
  return `<!doctype html><html lang="en"><meta charset="utf-8"><title>The world outside</title>
<style>body{font:14px/20px system-ui;margin:24px;color:#14171c;background:#fbfaf7}table{border-collapse:collapse;width:100%}td,th{border-bottom:1px solid #e3e1db;padding:6px 10px;text-align:left;vertical-align:top}</style>
<h1>The world outside</h1><p>${all.length} messages and calls received; the last hundred:</p>
<table><tr><th>When</th><th>How</th><th>To</th><th>Subject</th><th>Words</th></tr>${rows}</table></html>`;
}
