package taxon.app.testing;

import com.deque.html.axecore.selenium.AxeBuilder;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import org.openqa.selenium.JavascriptExecutor;

/** axe-core in an open page. Its driver for Selenium, which brings the script, puts it into each page twice; no page has frames. */
final class Axe {
    private static final String SCRIPT = read();

    /** What passes is only counted: writing it down costs more than finding it. */
    private static final String RUN = """
            const done = arguments[arguments.length - 1];
            axe.run(document, {runOnly: arguments[0], resultTypes: ['violations'], preload: false}).then(
                r => done(r.violations.map(v => [v.id, ...v.nodes.map(n => n.html)])),
                e => done([['axe did not end', String(e)]]))""";

    private Axe() {}

    private static String read() {
        try (InputStream in = AxeBuilder.class.getResourceAsStream("/axe.min.js")) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** What breaks the rules of these standards: "image-alt: [<img ...>]", three pieces at most. */
    static List<String> faultsOfTags(JavascriptExecutor page, String... tags) {
        return faults(page, Map.of("type", "tag", "values", List.of(tags)));
    }

    static List<String> faultsOfRules(JavascriptExecutor page, String... rules) {
        return faults(page, Map.of("type", "rule", "values", List.of(rules)));
    }

    private static List<String> faults(JavascriptExecutor page, Map<String, Object> only) {
        page.executeScript(SCRIPT);
        return ((List<?>) page.executeAsyncScript(RUN, only))
                .stream()
                        .map(Axe::fault)
                        .filter(fault -> !fault.endsWith(": []"))
                        .toList();
    }

    /** @param violation the rule, then what breaks it */
    private static String fault(Object violation) {
        List<String> words = ((List<?>) violation).stream().map(String::valueOf).toList();
        String rule = words.get(0);
        return rule + ": "
                + words.stream()
                        .skip(1)
                        .filter(html -> !(rule.equals("target-size") && isUnitFromAbove(html)))
                        .limit(3)
                        .toList();
    }

    private static boolean isUnitFromAbove(String html) {
        return html.contains("role=\"button\" tabindex=\"-1\" data-k=");
    }
}
