/** The row of buttons that ends a form: what it does, and out of it again. While it is busy it hears no second click, but keeps the focus. */
import { Button } from './button';
export function FormEnd({
  does,
  busy = false,
  may = true,
  cancel = 'Cancel',
  onCancel,
  children,
}: {
  does: string;
  busy?: boolean;
  may?: boolean;
  cancel?: string;
  onCancel: () => void;
  children?: React.ReactNode;
}) {
  return (
    <div className="line">
      <Button
        type="submit"
        look="main"
        disabled={!may}
        aria-disabled={busy || undefined}
        onClick={(event) => busy && event.preventDefault()}
      >
        {does}
      </Button>
      <Button onClick={onCancel}>{cancel}</Button>
      {children}
    </div>
  );
}
