export {
  ADDRESS_KINDS,
  byChannel,
  CHANNEL_KEYS,
  channelNamed,
  CHANNELS,
  channelsTo,
  SEND_CHANNELS,
  type AddressKind,
  type Channel,
  type ChannelEntry,
  type SendChannel,
} from './channels';
