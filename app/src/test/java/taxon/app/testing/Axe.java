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

    /**
     * Colours are measured on some of the texts that have the same ones, with the same behind and beside them: a long table
     * repeats a few, and each takes two milliseconds. Units on the rig seen from above may be small: each is in the table below
     * it, too (2.5.8, target size, exception "equivalent"). What passes is only counted: writing it down costs more than finding it.
     */
    private static final String RUN = """
            const done = arguments[arguments.length - 1];
            const ENOUGH = 3;
            const painted = new Map();
            function paint(element) {
                if (!painted.has(element)) {
                    const s = getComputedStyle(element);
                    painted.set(element, [s.color, s.fill, s.stroke, s.backgroundColor, s.backgroundImage, s.opacity, s.fontSize, s.fontWeight].join());
                }
                return painted.get(element);
            }
            function surroundings(element) {
                const all = [paint(element), ...[...element.parentElement?.children ?? []].map(paint)];
                for (let e = element.parentElement; e; e = e.parentElement) all.push(paint(e));
                return all.join(';');
            }
            const seen = new Map();
            for (const element of document.body.querySelectorAll('*')) {
                const key = surroundings(element);
                const count = (seen.get(key) ?? 0) + 1;
                seen.set(key, count);
                if (count <= ENOUGH) element.setAttribute('data-axe-colour', '');
            }
            axe.configure({rules: [
                {id: 'color-contrast', selector: '[data-axe-colour]'},
                {id: 'target-size', selector: '*:not([role=button][tabindex="-1"][data-k])'}]});
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
        if (Boolean.TRUE.equals(page.executeScript("return window.axe === undefined"))) {
            page.executeScript(SCRIPT);
        }
        return ((List<?>) page.executeAsyncScript(RUN, only))
                .stream().map(Axe::fault).toList();
    }

    /** @param violation the rule, then what breaks it */
    private static String fault(Object violation) {
        List<String> words = ((List<?>) violation).stream().map(String::valueOf).toList();
        return words.get(0) + ": " + words.stream().skip(1).limit(3).toList();
    }
}
