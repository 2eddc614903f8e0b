package taxon.core.typesheet;

import java.util.ArrayList;
import java.util.List;
import java.util.function.UnaryOperator;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Names between quotation marks, which may hold any sign; a mark inside one is written twice. */
final class Quoted {
    /** A quoted name as a part of a pattern. */
    static final String TOKEN = "\"(?:[^\"]|\"\")*+\"";

    private static final Pattern WHOLE = Pattern.compile(TOKEN);
    private static final Pattern PARTS = Pattern.compile("(?:[^;\"]|" + TOKEN + "|\")++");
    private static final Pattern QUOTED_OR_BLANK = Pattern.compile(TOKEN + "|[\\t\u00a0]");

    private Quoted() {}

    static String quote(String name) {
        return '"' + name.replace("\"", "\"\"") + '"';
    }

    static boolean is(String text) {
        return WHOLE.matcher(text).matches();
    }

    /** What stands between the marks; a text without them as it is. */
    static String plain(String text) {
        return is(text) ? text.substring(1, text.length() - 1).replace("\"\"", "\"") : text;
    }

    /** The name as it is where reading gives it back, else between marks. */
    static String where(String name, UnaryOperator<String> reading) {
        return reading.apply(name).equals(name) ? name : quote(name);
    }

    /** The parts between semicolons that stand in no name. */
    static List<String> parts(String text) {
        List<String> parts = new ArrayList<>();
        Matcher matcher = PARTS.matcher(text);
        while (matcher.find()) {
            parts.add(matcher.group());
        }
        return parts;
    }

    /** Tabs and hard spaces outside of names become spaces. */
    static String spaced(String line) {
        return QUOTED_OR_BLANK
                .matcher(line)
                .replaceAll(found -> found.group().length() > 1 ? Matcher.quoteReplacement(found.group()) : " ");
    }
}
