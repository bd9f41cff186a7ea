/**
 * The words by which labels are known, in the languages that lead mails are written in, and what a label with such a word means. The
 * order of the rules decides where a label holds words of several.
 */
import { ownPattern } from '../shared';
/** What a label of a mail or body means. */
export type Meaning =
  | 'ignored'
  | 'consent'
  | 'message'
  | 'selling'
  | 'email'
  | 'phone'
  | 'last'
  | 'first'
  | 'name'
  /** What stands between first and last name. */
  | 'between'
  | 'country'
  | 'partner'
  | 'budget'
  | 'price'
  | 'beds'
  | 'baths'
  | 'listing'
  | 'address'
  | 'areas'
  | 'move'
  | 'purpose';

/** Without accents, as labels are compared. */
const bare = (text: string): string => text.normalize('NFD').replace(/\p{M}/gu, '');
/** Words that stand in a label, each as a whole. */
export const word = (pattern: string): RegExp => ownPattern(`(?:^|\\s)(?:${bare(pattern)})(?=\\s|$)`, 'u');
/** Labels as a whole. */
export const whole = (pattern: string): RegExp => ownPattern(`^(?:${pattern})$`, 'u');

/** A label that asks whether one may. */
export const CONSENT = word(
  '(?:ruckruf|call ?back|rappel|llamada|chiamata) (?:\\p{L}+ )?(?:erwunscht|gewunscht|requested|wanted|desired|souhaite|deseada|richiesta)|gonderebilir miyiz|arayabilir miyiz|may we|may i|can we|ma vi|ma jeg|far vi|agrees?|agreed|consents?|permission|opt(?: |-)?ins?|opted in|subscribe|allow|ok(?:ay)? to|einwilligung|zustimmung|erlaubnis|einverstanden|acepta|acepto|autoriza|autorizo|autorizacion|acconsento|consenso|autorizzo|accepte|consentement|autorise|wants? to hear|(?:would|do you) like to (?:hear|receive|get)|wish(?:es)? to receive|toestemming|akkoord|samtykke|samtycke|aceita|autoriza|consentimento|stimme|stimmen|mogen wij|mogen we|mag ik|mag u|puis je|pouvons nous|podemos|possiamo|zgoda|zgadzam|souhlas\\p{L}*|hozzajarul\\p{L}*|onay\\p{L}*|соглас\\p{L}*|συμφων\\p{L}*|godkanner|samtykker|de acuerdo|d accord|(?:texts?|calls?|e ?mails?|sms|ring) (?:me|us|ok|okay|allowed|consent|permission)|(?:contact\\p{L}*|kontakt\\p{L}*|contatto|yhteydenotto) (?:me |us )?(?:by|par|per|via|por|pa|na|over|through)',
);
/** Whole labels of languages whose words are not found by those below, or mean something else among them. */
const WHOLE_LABELS: [Meaning, RegExp][] = (
  [
    ['first', 'krestni jmeno|jmeno krestni|krstne meno|الاسم الاول|nama depan|eesnimi|名'],
    [
      'last',
      'cognoms?|nume de familie|csaladnev|priimek|prezime|اسم العايلة|الكنية|ho|nama belakang|perekonnanimi|uzvards|pavarde|姓',
    ],
    [
      'name',
      'ime (?:in|i) (?:priimek|prezime)|taisnimi|(?:kontaktperson|ansprechpartner|contactpersoon|persoon)(?:in)?|interessad[oa]|interessat[oa]|zainteresowan[ya]|zajemce|zaujemca|erdeklodo|клиент|πελατης|musteri|العميل',
    ],
    [
      'email',
      'e ?(?:post)?adress|e postadress|sahkopostiosoite|e ?mailadres|adresse (?:electronique|courriel)|e ?mailova adresa|електронна пошта|ηλ(?:εκτρονικη)? (?:ταχυδρομειο|διευθυνση)|thu dien tu|surel|e posti aadress|e pasts',
    ],
    ['phone', 'matkapuhelin|mobiel nummer|κινητο(?: τηλεφωνο)?|هاتف|no hp|no telefon|whats app|телефон контакту'],
    ['message', 'vzkaz|коментар|σχολια|رسالتك|zinojums|what would you like to know|what is your question'],
    [
      'listing',
      'eiendom|immoble|proprietate|nehnutelnost|nepremicnina|nekretnina|нерухомість|имот|emlak|gayrimenkul|properti|hartanah|kinnisvara|ipasums|nekilnojamasis turtas',
    ],
    [
      'budget',
      '(?:maximum|maximal|hochst) ?(?:prijs|preis|pris)|pressupost|koltsegkeret|proracun|bajet|eelarve|budzets|biudzetas|preisspanne|prisklass|prisleie|prisramme|kostenrahmen|fourchette de prix|rango de precios?|faixa de precos?|fascia di prezzo|zakres cen|cenove rozp[ae]ti',
    ],
    ['price', 'preu|ar|vetelar|ціна|hind|kaina'],
    [
      'beds',
      'soveværelser|makuuhuone(?:et|ita)?|dormit(?:oris|oare)|sypialni[ea]?|loznice|spaln[ei]|spalnice|haloszobak?|spavace sobe|спальн[иі]|υπνοδωματια|yatak odasi|غرف النوم|חדרי שינה|phong ngu|kamar tidur|bilik tidur|magamistoad|gulamistabas|miegamieji',
    ],
    [
      'areas',
      '(?:onsk\\p{L}* )?omrade|gewenste (?:plaats|locatie|regio)|okolica|kornyek|אזור|lokasi|kawasan|piirkond|(?:desired|preferred) (?:location|town|area)',
    ],
    [
      'move',
      'muuttopaiva|verhuisdatum|einzugs(?:termin|datum)|data (?:de mudanca|mutarii|trasloco)|termin przeprowadzki|datum stehovani|bekoltozes|дата переезда|tasinma tarihi|تاريخ الانتقال',
    ],
  ] as const
).map(([meaning, labels]) => [meaning, whole(labels)]);

/** Groups of a document that name the lead, as they stand before the names of its parts. */
const OF_SOMEBODY =
  '(?:client|customer|contact|lead|buyer|seller|person|applicant|caller|visitor|user|prospect|owner|transferee)';

export const RULES: [Meaning, RegExp][] = [
  ...WHOLE_LABELS,
  [
    'consent',
    word(
      '(?:would|do) you (?:like|want) us to (?:call|text|e ?mail|ring|write|send|contact)|(?:may|can|could|shall|should) (?:we|i|(?:an?|our|the|one of our|your) \\p{L}+|some(?:body|one)) (?:also )?(?:call|text|e ?mail|ring|write|send|contact)',
    ),
  ],
  [
    'ignored',
    whole(
      'page|url|link|ip|ip address|browser|user agent|submitted(?: at| on)?|date|time|received|form|campaign|ad|ad set|lead id|lead number|id|listen|play|help|support|desk|help desk|hotline|trouble|questions about your account|length|duration|sender|to|cc|bcc|x \\p{L}+|salutation|title|anrede|titel|tratamiento|civilite|titolo|gender|geschlecht|language|sprache|idioma|currency|locale|version|type|status|score|source|quelle|fuente|origin',
    ),
  ],
  [
    'ignored',
    word(
      '(?:ad|campaign) (?:spend|costs?|budget)|account help|referring \\p{L}+|referred by|(?:current|previous|present|former) landlord|employer|emergency contact|guarantor|date of birth|(?:ad|campaign|form|company|file|user|event|page|site|office|team|business) name|best time|good time|when (?:can|may|should) we (?:call|ring)|preferred time|erreichbarkeit|horario|forwarded to|routed to|connected to|transferred to|assigned to|your agent|agent|agents|realtor|broker|advisor|asesor|makler|mailing address|how did you (?:hear|find)|we (?:showed|said|estimated)|estimated?|estimate|fax|received at|(?:to|dialed|called) (?:your |our |the )?(?:number|line)|tracking (?:line|number)|code dialed|daily limit|spent|hoa|square (?:feet|footage)|sq ?ft|lot|year built|posted|photo|unsubscribe',
    ),
  ],
  [
    'purpose',
    word(
      '(?:buying or selling|selling or buying|buy or sell|sell or buy)|(?:buying|buy|selling|sell) (?:buying|buy|selling|sell)|(?:buying|selling) or renting|(?:request|inquiry|enquiry|lead|customer|client) type|type of (?:request|inquiry|enquiry|lead)',
    ),
  ],
  ['email', word('how (?:can|may|should|do|could) (?:we|i) (?:best )?(?:reach|contact|get in touch|get hold)')],
  ['name', whole('(?:new |hot |your )?lead|cnam')],
  ['phone', whole('ani|call|ring')],
  ['ignored', whole('dnis|did')],
  ['between', whole('tussenvoegsels?|voorvoegsels?|namenszusatz')],
  ['country', whole('country|land|pays|pais|paese|kraj|nacion|staat|negara|ulke')],
  ['purpose', whole('i am|we are|i m')],
  ['purpose', word('(?:home |property |their |your )?search(?: criteria)?|criteria|requirements|wish ?list')],
  ['areas', whole('where')],
  ['message', whole('text')],
  ['first', whole(`(?:${OF_SOMEBODY} )?(?:first|given)`)],
  ['last', whole(`(?:${OF_SOMEBODY} )?(?:last|family)`)],
  ['consent', CONSENT],
  [
    'partner',
    word(
      'partner|spouse|co ?buyer|co ?applicant|(?:second|2nd) (?:person|buyer|applicant|client|owner|name|visitor|guest)|(?:person|buyer|applicant|client|owner|name|visitor|guest) 2|wife|husband|ehepartner|pareja|conyuge|conjoint|coniuge|co ?borrower',
    ),
  ],
  [
    'selling',
    word(
      'selling|thinking of selling|(?:when|how soon|why|do you|are you|what makes you) .*(?:to sell|selling|sell)|(?:plans?|planning|wants?|hopes?) to sell|verkaufen|verkauf geplant|vender|vendre',
    ),
  ],
  [
    'message',
    word(
      'messages?|fragen?|preguntas?|domanda|pergunta|pytanie|sporsmal|sporgsmal|fraga|voice ?mail|transcription|(?:they|he|she|visitor|client|customer) (?:asked|asks)|comments?|questions?|notes?|remarks?|words|says?|said|wrote|writes|transcript|additional (?:info|information)|mensaje|comentarios?|consulta|observaciones|observac\\p{L}*|nachricht|bemerkung(?:en)?|anmerkung(?:en)?|kommentar|mitteilung|anfragetext|remarques?|commentaires?|messaggio|commento|note|richiesta|bericht|opmerking(?:en)?|vraag|besked|meddelelse|meddelande|msg|melding|kommentarer|mensagem|wiadomosc|tresc(?: wiadomosci)?|uwagi|testo|texte|mesaj\\p{L}*|сообщение|комментарий|вопрос|повідомлення|tin nhan|loi nhan|noi dung|zprava|sprava|poznamka|uzenet|megjegyzes|viesti|pesan|μηνυμα|mensahe|ujumbe|missatge|poruka|sporocilo|съобщение|порука|sonum|zina|zinute|skilabod|mezua|mensaxe|mesej|mesazhi|پیام|বার্তা|رسالة|الرسالة|الملاحظات|anything else|what can we do|how can we help|tell us|(?:additional|further|more|other) details|inquiry|enquiry|special requests',
    ),
  ],
  [
    'email',
    word(
      'e ?mails?|e-?mails?|mail|reply to|reach(?: at)?|electronic mail|email address|correo|correo electronico|courriel|adresse mail|posta elettronica|e ?post|e-?postadresse|write to (?:you|them)|reach (?:them|you) at|adres e mail|e ?posta|posta|почта|электронная почта|эл почта|email cim|e mail cim|sahkoposti|barua pepe|correu|e posta|имейл|epasts|pastas|netfang|ایمیل|ইমেইল|البريد|البريد الالكتروني|(?:reach|write|mail) (?:her|him|them|me)(?: (?:at|on|to))?',
    ),
  ],
  [
    'name',
    word(
      'caller name|contact name|first (?:name )?(?:and )?last(?: name)?|name and surname|vor und (?:nach|zu)name|vorname (?:und )?nachname|prenom (?:et )?nom|nom (?:et )?prenom|nombres? y apellidos?|nome e (?:cognome|sobrenome|apelido)|cognome e nome|voor en achternaam|fornavn og etternavn|for og (?:etter|efter)navn|for och efternamn|imie i nazwisko|ad soyad|adi(?:niz)? soyadi(?:niz)?|isim soyisim|фио|имя и фамилия|ho va ten|ho ten|jmeno a prijmeni|meno a priezvisko|nume si prenume|teljes nev|etu ja sukunimi|ονοματεπωνυμο|buong pangalan|الاسم الكامل',
    ),
  ],
  [
    'phone',
    word(
      'phones?|telephone|tel|telefono|telefon\\p{L}*|telefone|mobile|mobil\\p{L}*|cell|cellphone|cell phone|handy\\p{L}*|rufnummer|caller|movil|celular|portable|cellulare|whatsapp|telephon\\p{L}*|gsm|tlf|contact number|(?:which|what|best|your|their|his|her|my) number|number is best|numero|telefoon\\p{L}*|telemovel|telefono\\p{L}*|телефон\\p{L}*|номер телефона|dien thoai|so dien thoai|telefonszam|puhelin\\p{L}*|simu|talrunis|simi|تلفن|ফোন|telepon|nomor (?:hp|telepon)|τηλεφωνο|الهاتف|رقم الهاتف|الجوال|cep(?: telefonu)?',
    ),
  ],
  [
    'last',
    word(
      'last name|lastname|surname|family name|family|apellidos?|nachname|familienname|nom de famille|cognome|achternaam|etternavn|efternavn|efternamn|sobrenome|nazwisko|lname|ln|soyad\\p{L}*|soyisim|фамилия|прізвище|prijmeni|priezvisko|vezeteknev|sukunimi|επωνυμο|apelido',
    ),
  ],
  [
    'first',
    word(
      'first name|firstname|given name|given|forename|vorname|prenom|voornaam|fornavn|fornamn|primeiro nome|imie|fname|fn|nombre de pila|keresztnev|etunimi|prenume',
    ),
  ],
  [
    'budget',
    word(
      'budget|financing|price range|price (?:ceiling|cap|limit|goal|target)|(?:top|highest) price|spend|max(?:imum)? price|min(?:imum)? price|price (?:from|to|max|min|limit)|max (?:prijs|pris|preis)|max(?:imum|imale?)? (?:(?:monthly )?rent|miete|kaltmiete|loyer|alquiler|affitto|huur)|min(?:imum)? rent|rent (?:from|to|max|min|limit|budget|up to)|presupuesto|preisvorstellung|preisrahmen|how much|afford|pre ?approved|approved for|approved amount|amount approved|loan amount|purchase price|target price|up to|budget max|prix max|finanzierungsrahmen|maximal\\p{L}* (?:prijs|preis|pris)|hochstpreis|prijs tot|tot maximaal|prix max\\p{L}*|preci?o max\\p{L}*|valor max\\p{L}*|valor ate|prezzo max\\p{L}*|butce\\p{L}*|budzet|бюджет|orcamento|ngan sach|rozpocet|koltsegvetes|buget|budjetti|προυπολογισμος|anggaran|الميزانية',
    ),
  ],
  ['name', whole('ten|ime')],
  ['price', whole('asked|asking|(?:offered|listed) (?:at|for)')],
  [
    'price',
    word(
      'asking price|price|list price|\\p{L}*(?:preis|prijs|pris)|prisantydning|utgangspris|precio|prix|prezzo|preco|cena|valor|rent|monthly rent|husleje|hyra|kira|miete|kaltmiete|alquiler|renta|loyer|fiyat|cena|цена|стоимость|gia|hinta|pret|harga|τιμη|السعر',
    ),
  ],
  [
    'beds',
    word('bed|beds|bedrooms?|bd|dormitorios?|habitaciones|schlafzimmer|chambres?|camere|slaapkamers|soverom|sovrum|quartos|size'),
  ],
  ['baths', word('bath|baths|bathrooms?|ba|banos|badezimmer|salles de bain|bagni|badkamers')],
  [
    'name',
    word(
      'name|full name|fullname|who|contact|nombre|nombre completo|nom|nome|naam|navn|namn|vollstandiger name|owner|client|customer|buyer|seller|renter|tenant|visitor|guest|person|from|von|absender|interessent|interesado|demandeur|inquirer|applicant|prospect|persona(?: interesada)?|interesada|propietari[oa]|titular|proprietaire|propri?etario|eigentumer(?:in)?|eigenaar|kontaktdaten|contact (?:details|information)|datos de contacto|coordonnees|dati di contatto|contactgegevens|intressent|lejer|leietaker|hyresgast|huurder|kiraci|attendee|participant|registrant|transferee|relocatee|assignee|employee|lessee|purchaser|homeowner|patron|candidate|kunde|kundin|cliente|(?:requested|submitted|sent|asked) by|requester|borrower|isim|jina|vards|vardas|nafn|izena|emri|име|نام|নাম|adiniz|имя|ім я|jmeno|meno|nev|nimi|nume|nama(?: lengkap)?|party|member|mitglied|ονομα|pangalan|الاسم|enquirer',
    ),
  ],
  [
    'listing',
    word(
      're|regarding|sign|listing|listing id|mls|mls id|property|property id|home|house|house asked|asked about|looking at|ref|reference|referencia|riferimento|kenmerk|referenz\\p{L}*|objekt|objektnummer|objekt nr|object|inmueble|propiedad|immobilie|immobile|bien|annonce|anzeige|expose|woning|bolig|imovel|apartment|flat|unit|lejemal|lejlighed|leilighet|bostad|konut|daire|pand|huis|casa|moradia|apartamento|vivienda|piso|haus|wohnung|maison|appartement|stands at|sign at|located at|subject property|interested in|about|ilan\\p{L}*|objeto|nieruchomosc|mieszkanie|oferta|ogloszeni\\p{L}*|nabidk\\p{L}*|ponuk\\p{L}*|annuncio|annons|annonce|aanbieding|inserat|fastighet|lagenhet|ejendom|lakas|ακινητο|last viewed|viewed|visited|toured|saved|favou?rited|sag|sagsnummer|объект|недвижимость|bat dong san|nemovitost|ingatlan|kohde|anuncio|العقار',
    ),
  ],
  [
    'address',
    word(
      'address|street|location|\\p{L}*adresse|lage|anschrift|adresse|direccion|domicilio|indirizzo|ubicacion|adres|endereco|strasse|morada|адрес|dia chi|adresa|cim|osoite|διευθυνση|العنوان',
    ),
  ],
  [
    'areas',
    word(
      'areas?|towns?|cities|city|locations|counties|(?:ville|ciudad|localidad|stadt|ort|citta|comune|cidade|plaats) (?:recherch|souhait|desead|buscad|de interes|gewunscht|cercat|desiderat|desejad|gewenst)\\p{L}*|(?:wunsch|such)orte?|gewunschte\\p{L}* (?:ort|lage|gegend|stadt)|neighbou?rhoods?|zonas?|barrios?|preferred location|regions?|stadtteile?|gebiete?|orte?|quartiers?|quartier[ei]|zone|wijk(?:en)?|bairros?|bydel\\p{L}*|destination(?: city)?|destino|zielort|moving to|relocating to|vecindarios?|looking in|searching in|where (?:would|do|did) you (?:like|want) to (?:live|buy|move|be)|where are you looking|search area|район\\p{L}*|bolge\\p{L}*|semt|okolice|dzielnic\\p{L}*|khu vuc|lokalit\\p{L}*|alue|περιοχη|المنطقة',
    ),
  ],
  [
    'move',
    word(
      'move|moving|move in|starts?|start date|mietbeginn|beginn|available from|indflytning|innflytting|inflyttning|moving date|arrives|arrival|arrivee|ankunft|llegada|arrivo|timeline|timeframe|time frame|einzug|umzug|mudanza|emmenagement|trasloco|verhuizing|how soon|when',
    ),
  ],
  [
    'purpose',
    word(
      'purpose|role|subject|topic|reason|motivo|motif|grund|reden|projet|proyecto|progetto|projeto|vorhaben|buying position|wants|wanted|seeking|needs|interest|interested|interesses?|interes|interessen|i am an?|looking (?:to|for)|buying or selling|zweck|objetivo|anliegen|intent|request type|lead type|ik wil|ich (?:mochte|will)|je (?:souhaite|veux|cherche)|quiero|deseo|busco|eu quero|quero|jeg vil|jag vill|chce|voglio|vorrei|i (?:want|would like)(?: to)?|temat|betreff|asunto|objet|onderwerp|oggetto|assunto|emne|amne|konu|тема|цель|cel|amac|muc dich|ucel|cel zapytania|finalidade|objectif|scopo|doel',
    ),
  ],
];

/** The same for languages that put no space between words; where a label holds words of several meanings, the first rule decides. */
export const UNDIVIDED: [Meaning, RegExp][] = (
  [
    ['ignored', 'フリガナ|ふりがな|カナ|送信日時|受付|担当|登録日|提交时间|접수|담당'],
    ['email', 'דוא ל|אימייל|मेल|อีเมล'],
    ['last', 'שם משפחה|उपनाम|นามสกุล'],
    ['first', 'שם פרטי'],
    ['listing', '物件|房源|매물|נכס'],
    [
      'message',
      '内容|問い?合わ?せ|お問合せ|メッセージ|要望|備考|コメント|質問|留言|备注|備註|咨询|諮詢|訊息|문의|메시지|요청|הודעה|הערות|संदेश|टिप्पणी|ข้อความ|รายละเอียด',
    ],
    ['email', 'メール|邮箱|郵箱|邮件|郵件|信箱|이메일|메일'],
    ['phone', '電話|电话|携帯|手机|手機|전화|휴대폰|연락처|טלפון|נייד|फोन|मोबाइल|โทรศัพท์|เบอร์|มือถือ'],
    ['budget', '予算|预算|預算|예산|希望価格|תקציב|बजट|งบประมาณ'],
    ['price', '価格|价格|價格|가격|賃料|租金|월세|מחיר|कीमत|ราคา'],
    ['beds', '寝室|卧室|臥室|침실'],
    ['baths', '浴室|욕실|卫生间|衛生間'],
    ['name', '名前|氏名|姓名|名字|联系人|聯絡人|이름|성명|성함|称呼|שם|नाम|ชื่อ'],
    ['address', '住所|所在地|地址|주소|כתובת|पता|ที่อยู่'],
    ['areas', 'エリア|地域|区域|區域|지역'],
    ['move', '入居|引越|入住|입주|이사'],
    ['purpose', '希望|目的|意向|需求|용도|목적'],
  ] as const
).map(([meaning, pattern]) => [meaning, ownPattern(bare(pattern), 'u')]);
