package taxon.core.listing;

import static taxon.core.listing.Column.ADDRESS;
import static taxon.core.listing.Column.FIRST_ID;
import static taxon.core.listing.Column.FOOTPRINT;
import static taxon.core.listing.Column.MAKER;
import static taxon.core.listing.Column.MODE;
import static taxon.core.listing.Column.NAME;
import static taxon.core.listing.Column.NOTE;
import static taxon.core.listing.Column.POSITION;
import static taxon.core.listing.Column.QUANTITY;
import static taxon.core.listing.Column.SLOT;
import static taxon.core.listing.Column.TYPE;
import static taxon.core.listing.Column.UNIVERSE;

import java.text.Normalizer;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import taxon.core.text.Likeness;

/**
 * What people write above columns, in the languages that lists come in: for each column the plainest first. Common practice,
 * from memory; compared without case, accents, spaces and signs. A word that means several columns stands under each: then what is
 * in the column tells.
 */
public final class HeaderWords {
    private static final Pattern MARKS = Pattern.compile("\\p{M}+");
    private static final Pattern BRACKETS = Pattern.compile("\\s*[(\\[{].*");

    private static final Map<String, List<Meaning>> BY_KEY = new HashMap<>();
    private static final Map<Column, List<String>> SPELLINGS = new EnumMap<>(Column.class);

    static {
        mean(
                QUANTITY,
                "Quantity | Qty | Count | Number of | No of | Pcs | Pieces | Amount | Units | # | Quan | Pc | Ea | Each");
        mean(
                QUANTITY,
                "Number of fixtures | No of fixtures | Anzahl | Anz | Stk | Stück | Stueck | Menge | Antal | Quantité | Qté | Qte");
        mean(
                QUANTITY,
                "Nombre | Aantal | Stuks | Cantidad | Cant | Quantità | Qtà | Quant | Nr | No | N° | Number | Nummer | Num");
        mean(
                MAKER,
                "Maker | Manufacturer | Make | Brand | Mfr | Mfg | Vendor | Hersteller | Marke | Fabricant | Marque");
        mean(MAKER, "Fabrikant | Merk | Fabricante | Marca | Produttore | Costruttore");
        mean(
                TYPE,
                "Type | Fixture type | Model | Instrument type | Fixture | Instrument | Device | Luminaire | Typ | Device type");
        mean(
                TYPE,
                "Gerät | Geraet | Gerätetyp | Geraetetyp | Scheinwerfer | Leuchte | Modell | Projecteur | Appareil | Modèle");
        mean(
                TYPE,
                "Armatuur | Toestel | Modelo | Aparato | Foco | Proiettore | Modello | Tipo | Item | Product | Article | Artikel");
        mean(
                TYPE,
                "Bezeichnung | Désignation | Description | Beschreibung | Fixture name | Unit | Head | Name | Nom | Naam | Nome");
        mean(
                MODE,
                "Mode | DMX mode | Personality | Channels | Channel count | No of channels | Footprint | Chs | DMX channels | Profile");
        mean(
                MODE,
                "Modus | Betriebsart | Kanalzahl | Kanäle | Kanaele | Mode DMX | Canaux | Kanalen | Modo | Modalità | Canali | Canales");
        mean(
                FOOTPRINT,
                "Footprint | DMX footprint | Channels | Channel count | No of channels | Chs | DMX channels | Slots | DMX slots");
        mean(FOOTPRINT, "Kanalzahl | Kanäle | Kanaele | Canaux | Kanalen | Canali | Canales");
        mean(MODE, "Ch | Chan | Channel | Kanal | Canal | Kanaal | Canale");
        mean(
                FIRST_ID,
                "First fixture ID | Fixture ID | First ID | ID | IDs | FID | Fixture no | Fixture number | Fixture IDs | Unit ID");
        mean(
                FIRST_ID,
                "Head no | Head number | Unit no | Unit number | Gerätenummer | Kreis | Kreisnummer | Circuit | Numéro | Numero");
        mean(
                FIRST_ID,
                "Nummer | Nr | No | N° | Number | Num | Head | Heads | Fixture | Channel | Chan | Ch | Kanal | Canal");
        mean(FIRST_ID, "Kanaal | Canale | Gerät | Geraet | Instrument | Unit");
        mean(
                NAME,
                "Name | Label | Fixture name | Unit name | Nom | Étiquette | Naam | Nome | Nombre | Beschriftung | Etikett | Title");
        mean(
                POSITION,
                "Position | Location | Hang | Truss | Place | Zone | Room | Area | Pos | Loc | Hanging position | Where | Pipe | Bar");
        mean(
                POSITION,
                "Ort | Standort | Hängung | Haengung | Hängeposition | Traverse | Raum | Bereich | Emplacement | Lieu | Salle");
        mean(POSITION, "Positie | Locatie | Plaats | Ruimte | Posición | Ubicación | Posizione | Luogo");
        mean(
                ADDRESS,
                "Address | DMX address | DMX | Patch | Start address | Addr | DMX start | Adresse | DMX Adresse | Startadresse | Adr");
        mean(
                ADDRESS,
                "Adres | Dirección | Indirizzo | Universe address | Univ addr | Uni addr | DMX addr | DMX Adr | UA");
        mean(
                UNIVERSE,
                "Universe | Univ | Uni | DMX universe | U | Universum | Univers | Universo | DMX line | DMX univ");
        mean(
                SLOT,
                "Slot | DMX slot | Start slot | DMX channel | Start channel | DMX chan | DMX ch | Startkanal | DMX Kanal | Canal DMX");
        mean(SLOT, "Channel | Chan | Ch | Kanal | Canal | Kanaal | Canale");
        mean(
                NOTE,
                "Note | Notes | Comment | Comments | Remark | Remarks | Purpose | Bemerkung | Bemerkungen | Notiz | Kommentar");
        mean(NOTE, "Hinweis | Anmerkung | Remarque | Remarques | Commentaire | Opmerking | Opmerkingen | Nota | Notas");
        mean(NOTE, "Observaciones | Commento | Info | Description | Beschreibung");
    }

    private HeaderWords() {}

    /** @param rank how far down the spellings of the column; of two headers for one column the lower rank is meant */
    public record Meaning(Column column, int rank) {}

    /** What a header may mean, the columns in the order in which they are listed here; empty when it is not known. */
    public static List<Meaning> meanings(String header) {
        List<Meaning> whole = BY_KEY.getOrDefault(key(header), List.of());
        return whole.isEmpty()
                ? BY_KEY.getOrDefault(key(BRACKETS.matcher(header).replaceFirst("")), List.of())
                : List.copyOf(whole);
    }

    /** Two headers with the same key are the same header. "Fixture #" is a number, "#" alone a count. */
    public static String key(String header) {
        String stripped = header.strip();
        String plain = MARKS.matcher(Normalizer.normalize(stripped, Normalizer.Form.NFKD))
                .replaceAll("");
        return stripped.equals("#") ? stripped : Likeness.key(plain.replace("#", " no"));
    }

    private static void mean(Column column, String words) {
        List<String> spellings = SPELLINGS.computeIfAbsent(column, c -> new ArrayList<>());
        for (String word : words.split(" \\| ", -1)) {
            spellings.add(word);
            List<Meaning> meanings = BY_KEY.computeIfAbsent(key(word), k -> new ArrayList<>());
            if (meanings.stream().noneMatch(m -> m.column() == column)) {
                meanings.add(new Meaning(column, spellings.size()));
            }
        }
    }
}
