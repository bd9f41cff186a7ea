export { BareButton, Button, LinkButton, type ButtonLook, type ButtonProps } from './button';
export { Checkbox, CheckboxGroup, Radio } from './choice';
export { FileButton } from './file-button';
export { Input, Textarea } from './input';
export { Select } from './select';
export { ToastProvider, undoLatest, useToast, type ToastAction } from './toast';
export { CountField, LimitField } from './count-field';
export { DateField, TimeField } from './date-field';
export { TypedField, type TypedFieldProps } from './typed-field';
export { ErrorMessage, errorSentence } from './error-message';
export { FormEnd } from './form-end';
export { SpanField, unitOf } from './span-field';
export { Columns, Heading, Kbd, Row, Stack, Text } from './layout';
export { EmptyState, ListLine, Panel, Section, Skeleton } from './panel';
export { Dialog } from './dialog';
export { Table } from './table';
export { ChoiceMenu, MenuButton, Popup, type MenuChoice } from './popup';
export { Combo, type ComboOption } from './combo';
export { TabPanel, Tabs } from './tabs';
export { Callout, Floating, Highlight, SidePanel, Toolbar, Well } from './surface';
export { EventLine, EventList } from './events';
export { DataGrid, HeadButton, HeadEdge, ROW_HEIGHT, SentenceBar } from './data-grid';
export { StatLink } from './stat-link';
export { Chip, CHIP_COLORS } from './chip';
export { DragBoard, GrabHandle, moved, Sortable, useDragTile, useDropPlace, useSortableItem } from './sortable';
export { Swatches } from './swatches';
export { Area, PageHead } from './area';
export { MoneyField, NumberField, PhoneField } from './money-field';
export { Field } from './field';
export {
  CheckboxesFormField,
  CheckboxFormField,
  FormDialog,
  FormFields,
  InlineForm,
  RadioFormField,
  SelectFormField,
  TextareaFormField,
  TextFormField,
  TypedFormField,
  useSaveForm,
  type SaveForm,
} from './form';
export { Fact, FactLine } from './fact';
export { SideNav } from './side-nav';
export { BottomBar, Mark, Page, Perch, SkipLink, WireBar, WireButton, WireEnds } from './wire-parts';
export { Sheet } from './sheet';
export { HistoryButtons, UnsavedNotice } from './history';
export { GroupHead, ListRow, RawText, ScrollList, TwoLines } from './list';
export { Joint, SaidButton, ShelfButton, Strip } from './sentence';
export { Ago, Left, Timer } from './time';
export { Aside, FieldGroup, Plainset, Split, SplitSide } from './split';
export { LetterPreview, MailPreview, PhonePreview } from './previews';
export { DocumentArea, EditorFrame } from './document';
export { Figure, Rails, Rung, ShareBar } from './ladder';
export { HourCell, HoursGrid } from './hours-grid';
export { DropArea, Progress, ProgressPanel, ProgressStack, SelectionBar } from './progress';
export {
  ChartBox,
  DefinitionList,
  Disclosure,
  CodeText,
  Face,
  FindingList,
  HomeButton,
  Legend,
  LinkTabs,
  LoginChoice,
  LoginMark,
  LoginPage,
  Portrait,
  QrImage,
  ScaledFrame,
} from './small-parts';
