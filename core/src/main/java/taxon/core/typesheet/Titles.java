package taxon.core.typesheet;

import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** What stands behind {@code Mode:} and {@code Block:}. */
final class Titles {
    private static final Pattern MODE = Pattern.compile("(" + Quoted.TOKEN
            + "|.*?)(?:,\\s*personality\\s+(\\d{1,4}))?(?:,\\s*(\\d{1,4})\\s+(?:slots?|channels?))?");
    private static final Pattern BLOCK = Pattern.compile("(" + Quoted.TOKEN + "|.*?)(?:,\\s*break\\s+(\\d{1,6}))?");
    private static final Pattern LENGTH_IN_NAME =
            Pattern.compile("(?i)(?<![\\d.])(\\d{1,3})[ -]?(?:ch|chan|channels?|slots?)\\b");

    private Titles() {}

    /**
     * The title of a mode.
     *
     * @param length how many slots it is said to have, behind its name
     */
    record ModeTitle(String name, Optional<Integer> personality, Optional<Integer> length) {
        static ModeTitle of(String text) {
            Matcher matcher = MODE.matcher(text);
            return matcher.matches()
                    ? new ModeTitle(Quoted.plain(matcher.group(1)), number(matcher, 2), number(matcher, 3))
                    : new ModeTitle(text, Optional.empty(), Optional.empty());
        }

        static String write(String name, Optional<Integer> personality) {
            return Quoted.where(name, n -> of(n.strip()).name())
                    + personality.map(p -> ", personality " + p).orElse("");
        }
    }

    /** How many slots the name of a mode speaks of: 44 for "44-channel". */
    static Optional<Integer> lengthInName(String name) {
        Matcher matcher = LENGTH_IN_NAME.matcher(name);
        return matcher.find() ? number(matcher, 1) : Optional.empty();
    }

    /** The title of a block. */
    record BlockTitle(String name, Optional<Integer> breakNumber) {
        static BlockTitle of(String text) {
            Matcher matcher = BLOCK.matcher(text);
            return matcher.matches()
                    ? new BlockTitle(Quoted.plain(matcher.group(1)), number(matcher, 2))
                    : new BlockTitle(text, Optional.empty());
        }

        static String write(String name, Optional<Integer> breakNumber) {
            return Quoted.where(name, n -> of(n.strip()).name())
                    + breakNumber.map(b -> ", break " + b).orElse("");
        }
    }

    private static Optional<Integer> number(Matcher matcher, int group) {
        return Optional.ofNullable(matcher.group(group)).map(Integer::valueOf);
    }
}
