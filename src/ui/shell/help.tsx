/** All the shortcuts on one page. */
import Dialog from '@mui/material/Dialog';

const KEYS: [string, string][] = [
  ['/', 'Search and commands'],
  ['n', 'Add a lead'],
  ['g t, g b, g i, g c, g r, g p, g u', 'Go to Today, Inbox, Intake, Contacts, Routing, Campaigns, Results'],
  ['j, k', 'Next or previous contact'],
  ['Enter', 'Open the contact as a page'],
  ['Esc', 'Close, leave a field'],
  ['c', 'Call'],
  ['h', 'Hang up'],
  ['1 – 7', 'After a call: its outcome, then the next touch'],
  ['t, e, m', 'Text, email, letter'],
  ['o', 'Note'],
  ['s', 'Set the next touch'],
  ['a', 'Take an offered lead'],
  ['r', 'In the inbox: read, or unread'],
  ['Ctrl+Enter', 'Send the message'],
  ['Shift+M', 'Privacy mask'],
];

export function HelpDialog({ open, onClose }: { open: boolean; onClose: () => void }) {
  return (
    <Dialog open={open} onClose={onClose} maxWidth="sm" fullWidth aria-labelledby="shortcuts">
      <div style={{ padding: 24 }}>
        <h1 id="shortcuts">Shortcuts</h1>
        <table className="grid" style={{ marginTop: 12 }}>
          <tbody>
            {KEYS.map(([keys, what]) => (
              <tr key={keys}>
                <td className="nowrap">
                  <kbd>{keys}</kbd>
                </td>
                <td>{what}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </Dialog>
  );
}
