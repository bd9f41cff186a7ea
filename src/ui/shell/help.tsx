/** All the shortcuts on one page. */
import Dialog from '@mui/material/Dialog';

const KEYS: [string, string][] = [
  ['/', 'Search and commands'],
  ['n', 'Add a lead'],
  ['g t, g b, g i, g c, g r, g p, g u', 'Go to Today, Inbox, Intake, Contacts, Routing, Campaigns, Results'],
  ['j, k', 'Next, previous person'],
  ['Enter', 'Open the person as a page'],
  ['Esc', 'Close, leave a field'],
  ['c', 'Call'],
  ['h', 'Hang up'],
  ['1 – 7', 'After a call: its outcome, then the next touch'],
  ['t, e, m', 'Text, e-mail, letter'],
  ['o', 'Note'],
  ['s', 'Set the next touch'],
  ['a', 'Take the lead that is offered'],
  ['r', 'In the inbox: read, or unread'],
  ['Ctrl+Enter', 'Send what is being written'],
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
