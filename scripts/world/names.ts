/** Made-up people of Lantern County: first and last names to be combined, and where their numbers ring. Nobody real is meant. */
export const FIRST_NAMES =
  `Oda Lucan Wren Jonas Mirela Abel Hanne Bram Sunniva Idris Yara Corwin Nadia Piet Rosalind Emeka Anselm Brisa Caspian Delphine Edda Farid Greta Hollin Ilse Jarek Kaia Lorcan Maeve Nils Orla Pavel Quilla Rune Saskia Tamsin Ulla Viggo Wanda Xenia Yusuf Zora Adaeze Bodil Cosima Dario Elif Fenna Gideon Hedda Ivo Juna Kenji Linnea Matteo Noor Osric Petra Rafi Selma Tobin Una Vesna Wim Yael Zeno Amara Birk Clio Dov Esme Finnian Gwen Hiro Ines Jora Kester Lotte Milo Nia Otis Perrin Ragna Silas Thea Urban Vida Wolf Ysolde Aksel Beata Ciro Dagny Elio Freya Gaspar Hild Isko Jovan Katla Levi Marit Niko Olive Priya Rosa Sten Tova Vera`.split(
    ' ',
  );
export const LAST_NAMES =
  `Brandvold Ferreira Adeyemi Quist Roos Oyelaran Holt Calloway Sorensen Benedek Ashby Frost Lindqvist Achterberg Stroud Nettlecombe Castellan Eskerling Ashgrove Marlowe Vantongeren Pellworm Skarsgaard Okonkwo Tamboril Winterbourne Hakala Drummore Ilvesson Karstad Lomax Merriweather Nakagami Obermoor Penhallow Quennell Rasmund Saltonstall Thistlewood Underhay Valcourt Wexcombe Yarrow Zielonka Abelard Birkeland Corvane Dunmarrow Elsworth Fairwater Gunnarsby Harrowgate Ingleby Jorvik Kestrel Langmere Mossgrove Northolt Orrin Plumtree Ravensworth Sandoval Tidewell Umbra Vesterholm Whitlock Ainscough Barrowclough Cinderford Dellamorte Everdeen Foxhollow Greywether Hallstrom Iverness Juniper Kingsley Larkspur Millrace Netherby Oakum Pembrook Quayle Rushmere Sorrel Tarnfield Upshaw Vinter Wolder Amberson Boatwright Culver Dunlin Eider Fulmar Gannet Heronby Ibsen Jessamy Knotwood Lapwing Merlin Nuthatch Osprey Pipit Redshank Sandwith Turnstone Vane Whimbrel`.split(
    ' ',
  );
/** Area codes; with the 555 exchange and the last four digits 0100 to 0199 no number of these is anybody's. */
export const AREA_CODES =
  '253 425 509 503 541 971 458 208 986 406 307 801 385 435 702 725 775 480 520 602 623 928 505 575 303 719 720 970 605 701 308 402 531 316 620 785 913 405 580 918 214 469 972 512 737 210'.split(
    ' ',
  );
export const MAIL_DOMAINS = [
  'tidemail.example',
  'lanternpost.example',
  'saltbox.example',
  'quillnet.example',
  'ropewalk.example',
];
export const TAGS = [
  'choir',
  'rowing club',
  'first home',
  'relocating',
  'open house',
  'referred us twice',
  'dog people',
  'boat',
  'downsizing',
  'teacher',
  'cash',
  'school district',
  'harbor festival',
  'new job',
  'garden',
];
export const SOURCES = [
  'Coastal listings portal',
  'Brokerage site',
  'Open house',
  'Newspaper ad',
  'Sign call',
  'Referral',
  'Social media ad',
];
export const FEATURES = ['garden', 'office', 'garage', 'view of the water', 'pool', 'workshop', 'one level', 'porch'];
export const ASKS = [
  'Could we see {home} on Saturday?',
  'Is {home} still for sale?',
  'Looking for {beds} bedrooms in {town}, up to ${price}',
  'We’re moving to {town} in the spring. Which neighborhoods should we look at?',
  'What are the taxes on {home}?',
  'Please call me about {home}',
  'My sister lives in {town} and I’d like to be close by. {beds} bedrooms, up to ${price}',
  'When is the next open house in {town}?',
];
export const ANSWERS = [
  'Yes please, could you call me tomorrow?',
  'Can we see the one on {street} this Saturday? My sister’s coming too',
  'Thanks. We need {beds} bedrooms and a quiet street',
  'Is there anything near the school?',
  'We’re pre-approved now, what’s next?',
  'Not this week, but keep me posted',
  'What did the house on {street} sell for?',
  'After five is best for a call',
];
export const NOTES = [
  'Wants to stay near the harbor. Brother-in-law is a carpenter and checks anything old.',
  'Lease is up in March. Prefers email, reads it in the evening.',
  'Two kids; schools matter more than the yard.',
  'Saw two homes with another agent. Move fast.',
  'Wants to sell first. Talk about a bridge loan.',
  'Her sister comes to every showing and makes the call.',
  'Pre-approved with Harbor & Pine.',
  'Liked Heron Lane, not the road noise.',
];
export const PROMISES = [
  'Call about the inspection',
  'Send the tax history',
  'Listing appointment, bring demand sheet',
  'Ask what the bank said',
  'Call back after work',
  'Confirm Saturday at ten',
  'New homes in their area',
  'How did the move go',
];
