/** Labels in the words of forty languages mean what they say. */
import { meaningOf } from './labels';

const LABELS: [string, string][] = [
  [
    'first',
    'Förnamn|Fornavn|Etunimi|Voornaam|Vorname|Prénom|Nombre de pila|Primeiro nome|Prenume|Imię|Křestní jméno|Keresztnév|الاسم الأول|שם פרטי|Nama depan|Eesnimi|Given names|名',
  ],
  [
    'last',
    'Efternamn|Etternavn|Sukunimi|Achternaam|Familienname|Nom de famille|Apellidos|Sobrenome|Cognome|Cognoms|Nume de familie|Nazwisko|Příjmení|Priezvisko|Vezetéknév|Családnév|Priimek|Prezime|Фамилия|Прізвище|Επώνυμο|Soyadı|اسم العائلة|שם משפחה|Họ|Nama belakang|Perekonnanimi|Uzvārds|Pavardė|姓',
  ],
  [
    'name',
    'Namn|Nimi|Naam|Vollständiger Name|Nom complet|Nombre completo|Imię i nazwisko|Teljes név|Ime in priimek|Ime i prezime|ФИО|Ονοματεπώνυμο|Ad Soyad|الاسم|שם מלא|Họ và tên|Täisnimi|お名前|성함|姓名|Ansprechpartner|Interessado|Zainteresowany|Zájemce|Érdeklődő|Клиент|Müşteri',
  ],
  [
    'email',
    'E-postadress|Sähköpostiosoite|E-mailadres|E-Mail-Adresse|Adresse électronique|Courriel|Correo electrónico|Posta elettronica|Adres e-mail|E-mailová adresa|E-mail cím|Elektronska pošta|Имейл|Электронная почта|Ηλεκτρονική διεύθυνση|E-posta adresi|البريد الإلكتروني|דוא"ל|Surel|メールアドレス|이메일|邮箱',
  ],
  [
    'phone',
    'Mobilnummer|Matkapuhelin|Mobiel nummer|Rufnummer|Téléphone portable|Teléfono móvil|Telemóvel|Cellulare|Număr de telefon|Numer telefonu|Telefonní číslo|Telefonszám|Номер телефону|Κινητό|Cep telefonu|هاتف|טלפון|Số điện thoại|No. HP|Tālrunis|携帯電話|휴대폰|手机号码|WhatsApp',
  ],
  [
    'message',
    'Meddelande|Melding|Besked|Viesti|Opmerkingen|Anmerkungen|Mensaje|Observações|Messaggio|Treść wiadomości|Vzkaz|Správa|Üzenet|Sporočilo|Poruka|Коментар|Σχόλια|Mesajınız|الرسالة|הודעה|Lời nhắn|Pesan|Sõnum|Žinutė|ご要望|문의 내용|留言',
  ],
  [
    'listing',
    'Bostad|Eiendom|Ejendom|Kohde|Woning|Immobilie|Bien|Inmueble|Immoble|Imóvel|Proprietate|Nieruchomość|Nemovitost|Nehnuteľnosť|Ingatlan|Nekretnina|Недвижимость|Нерухомість|Имот|Ακίνητο|Emlak|العقار|נכס|Bất động sản|Hartanah|Kinnisvara|Īpašums|物件|매물|房源',
  ],
  [
    'price',
    'Prisantydning|Hinta|Vraagprijs|Kaufpreis|Prix demandé|Precio|Preu|Preço|Prezzo|Preț|Vételár|Цена|Ціна|Τιμή|Fiyat|السعر|מחיר|Giá|Harga|Hind|Kaina|価格',
  ],
  [
    'budget',
    'Budjetti|Maximumprijs|Maximalpreis|Presupuesto|Orçamento|Buget|Budżet|Rozpočet|Költségkeret|Бюджет|Bütçe|الميزانية|תקציב|Ngân sách|Bajet|Eelarve|予算|Preisspanne|Fourchette de prix|Rango de precio|Faixa de preço|Fascia di prezzo|Zakres cen',
  ],
  [
    'areas',
    'Område|Alue|Gewenste plaats|Wunschort|Ville recherchée|Zona de interés|Bairro|Okolica|Környék|Район|Bölge|المنطقة|אזור|Khu vực|Kawasan|Piirkond|地域|Desired location',
  ],
  [
    'beds',
    'Sovrum|Soveværelser|Makuuhuoneet|Slaapkamers|Chambres|Dormitorios|Quartos|Camere da letto|Dormitoare|Sypialnie|Ložnice|Hálószobák|Спальни|Υπνοδωμάτια|Yatak odası|غرف النوم|חדרי שינה|Phòng ngủ|Kamar tidur|寝室',
  ],
  [
    'move',
    'Inflyttning|Innflytting|Indflytning|Muuttopäivä|Verhuisdatum|Einzugstermin|Fecha de mudanza|Data de mudança|Termin przeprowadzki|Datum stěhování|Beköltözés|Дата переезда|Taşınma tarihi|入居希望日',
  ],
];
test.each(LABELS)('%s', (meaning, labels) => {
  expect(labels.split('|').filter((label) => meaningOf(label) !== meaning)).toEqual([]);
});
