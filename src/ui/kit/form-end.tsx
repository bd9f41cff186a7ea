/** The row of buttons that ends a form: what it does, and out of it again. While it is busy it hears no second click, but keeps the focus. */
import { Button } from './button';
import { Row } from './layout';
export function FormEnd({
  does,
  busy = false,
  may = true,
  warn = false,
  cancel = 'Cancel',
  onCancel,
  children,
}: {
  does: string;
  busy?: boolean;
  may?: boolean;
  warn?: boolean;
  cancel?: string;
  onCancel: () => void;
  children?: React.ReactNode;
}) {
  return (
    <Row>
      <Button
        type="submit"
        look={warn ? 'warn' : 'main'}
        disabled={!may}
        aria-disabled={busy || undefined}
        onClick={(event) => busy && event.preventDefault()}
      >
        {does}
      </Button>
      <Button onClick={onCancel}>{cancel}</Button>
      {children}
    </Row>
  );
}
