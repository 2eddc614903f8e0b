package taxon.app.testing;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.Objects;
import java.util.function.Supplier;
import java.util.logging.Level;
import java.util.stream.Stream;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import org.openqa.selenium.OutputType;
import org.openqa.selenium.StaleElementReferenceException;
import org.openqa.selenium.WebDriver;
import org.openqa.selenium.WebElement;
import org.openqa.selenium.chrome.ChromeDriver;
import org.openqa.selenium.interactions.Actions;
import org.openqa.selenium.logging.LogEntry;
import org.openqa.selenium.logging.LogType;
import org.openqa.selenium.support.ui.FluentWait;
import org.openqa.selenium.support.ui.Select;
import org.openqa.selenium.support.ui.WebDriverWait;
import taxon.formats.json.Json;

/** Headless Chromium, driven as a person would: it looks for what is seen, clicks and types. */
public final class Browser implements AutoCloseable {
    private static final Duration PATIENCE = Duration.ofSeconds(60);
    private static final Duration BETWEEN_LOOKS = Duration.ofMillis(100);

    private final Chromium chromium;
    private final ChromeDriver driver;

    private Browser(Chromium chromium) {
        this.chromium = chromium;
        driver = chromium.driver();
    }

    /** One that is as if it had just been started. */
    public static Browser start() {
        return new Browser(Chromium.take(false));
    }

    /** One that writes down what every page asks for, which takes its time. */
    public static Browser startWithRequests() {
        return new Browser(Chromium.take(true));
    }

    /** Sets the size of the page itself, not of the window. */
    public void size(int width, int height) {
        chromium.size(width, height);
    }

    public void open(String url) {
        chromium.open(url);
    }

    public void forgetCookies() {
        driver.manage().deleteAllCookies();
    }

    public String url() {
        return driver.getCurrentUrl();
    }

    /** Waits until an element like this has these words in it. */
    public void see(String css, String words) {
        until(
                "no " + css + " with “" + words + "” but: " + "…",
                () -> texts(css).stream().anyMatch(t -> t.contains(words)));
    }

    /** Waits until no element like this has these words in it. */
    public void seeNo(String css, String words) {
        until(css + " still says " + words, () -> texts(css).stream().noneMatch(t -> t.contains(words)));
    }

    public List<String> texts(String css) {
        // In one go: between two questions the page may have swapped what was found.
        Object texts = driver.executeScript(
                "return [...document.querySelectorAll(arguments[0])].map((e) => e.textContent)", css);
        return texts instanceof List<?> list
                ? list.stream().map(String::valueOf).toList()
                : List.of();
    }

    public String value(String css) {
        return read(() -> find(css).getDomProperty("value"));
    }

    public int count(String css) {
        return driver.findElements(By.cssSelector(css)).size();
    }

    public void click(String css) {
        again(() -> clickInView(find(css)));
    }

    /** Clicks the first element like this that has these words in it. */
    public void click(String css, String words) {
        see(css, words);
        again(() -> clickInView(driver.findElements(By.cssSelector(css)).stream()
                .filter(e -> String.valueOf(e.getDomProperty("textContent")).contains(words))
                .findFirst()
                .orElseThrow()));
    }

    /** Scrolls first, as a person does: the band and the tally stay in front of what lies at the edges. */
    private void clickInView(WebElement element) {
        driver.executeScript("arguments[0].scrollIntoView({block: 'center'})", element);
        element.click();
    }

    public void type(String css, String text) {
        again(() -> {
            WebElement field = find(css);
            field.clear();
            field.sendKeys(text);
        });
    }

    /** Types a date or a file path, which a field takes as a whole. */
    public void put(String css, String value) {
        again(() -> find(css).sendKeys(value));
    }

    public void date(String css, String isoDate) {
        again(() -> driver.executeScript("arguments[0].value = arguments[1]", find(css), isoDate));
    }

    public void choose(String css, String words) {
        again(() -> new Select(find(css)).selectByVisibleText(words));
    }

    public void press(CharSequence... keys) {
        new Actions(driver).sendKeys(keys).perform();
    }

    /** Comes to the jot line by its key, as soon as the page listens to keys; in an empty jot line the key does nothing. */
    public void pressForJotLine() {
        until("the jot line is not come to", () -> {
            press("/");
            return "jot".equals(script("return document.activeElement.id"));
        });
    }

    public void pressWith(Keys modifier, CharSequence key) {
        new Actions(driver).keyDown(modifier).sendKeys(key).keyUp(modifier).perform();
    }

    public void clickWith(Keys modifier, String css) {
        WebElement element = find(css);
        driver.executeScript("arguments[0].scrollIntoView({block: 'center'})", element);
        new Actions(driver).keyDown(modifier).click(element).keyUp(modifier).perform();
    }

    public String attribute(String css, String name) {
        return read(() -> find(css).getDomAttribute(name));
    }

    /** The pointer, to drag with and to click beside the middle of things. */
    public Pointer pointer() {
        return new Pointer(this, driver);
    }

    /** Pastes a text into what has the focus, as Ctrl+V does with that in the clipboard. */
    public void paste(String text) {
        driver.executeScript(
                "const d = new DataTransfer(); d.setData('text/plain', arguments[0]);"
                        + " document.activeElement.dispatchEvent(new ClipboardEvent('paste',"
                        + " {clipboardData: d, bubbles: true, cancelable: true}));",
                text);
    }

    /** Runs a script that calls {@code done(milliseconds)}, and gives that. For figures, never for a test. */
    public double measure(String script) {
        Object result = driver.executeAsyncScript("const done = arguments[arguments.length - 1]; " + script);
        return ((Number) Objects.requireNonNull(result)).doubleValue();
    }

    /** Lets what follows an act come to its end. */
    public void pause(int milliseconds) {
        new Actions(driver).pause(Duration.ofMillis(milliseconds)).perform();
    }

    /** Brings the top of an element below the band. */
    public void scrollTo(String css) {
        again(() -> driver.executeScript("arguments[0].scrollIntoView({block: 'start'})", find(css)));
    }

    public void focus(String css) {
        again(() -> driver.executeScript("arguments[0].focus()", find(css)));
    }

    WebElement find(String css) {
        return patient(() -> "nothing like " + css + " on " + url()).until(d -> d.findElement(By.cssSelector(css)));
    }

    private FluentWait<WebDriver> patient(Supplier<String> otherwise) {
        return new WebDriverWait(driver, PATIENCE)
                .pollingEvery(BETWEEN_LOOKS)
                .ignoring(StaleElementReferenceException.class)
                .withMessage(otherwise);
    }

    /** What an element says of itself: as {@link #again}. */
    private String read(Supplier<String> of) {
        return patient(() -> "swapped again and again on " + url()).until(d -> String.valueOf(of.get()));
    }

    /** A part of the page may be swapped between finding it and using it: then it is found again. */
    void again(Runnable act) {
        patient(() -> "swapped again and again on " + url()).until(d -> {
            act.run();
            return true;
        });
    }

    /** Waits until something is so. */
    public void until(String complaint, Supplier<Boolean> condition) {
        patient(() -> complaint + " on " + url() + "\n" + texts("#work")).until(d -> condition.get());
    }

    /** Clicks a link and waits for the file that it brings. */
    public byte[] download(String css, String fileName) {
        Path file = chromium.downloads().resolve(fileName);
        try {
            // One of the same name from before would be taken for the new one.
            Files.deleteIfExists(file);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        click(css);
        until("no file " + fileName, () -> Files.exists(file) && noneIsUnderWay());
        try {
            return Files.readAllBytes(file);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private boolean noneIsUnderWay() {
        try (Stream<Path> files = Files.list(chromium.downloads())) {
            return files.noneMatch(f -> f.toString().endsWith(".crdownload"));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Every address that the browser asked for since it was last asked for them. */
    public List<String> requests() {
        return driver.manage().logs().get(LogType.PERFORMANCE).getAll().stream()
                .map(e -> Json.parse(e.getMessage()).path("message"))
                .filter(m -> m.path("method").asString().equals("Network.requestWillBeSent"))
                .map(m -> m.path("params").path("request").path("url").asString())
                .toList();
    }

    /** What the browser complained of: scripts that failed, things that the policy kept out. */
    public List<String> complaints() {
        return driver.manage().logs().get(LogType.BROWSER).getAll().stream()
                .filter(e -> e.getLevel().intValue() >= Level.SEVERE.intValue())
                .map(LogEntry::getMessage)
                .toList();
    }

    public void screenshot(Path file) {
        try {
            Files.write(file, driver.getScreenshotAs(OutputType.BYTES));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** What axe-core finds against WCAG 2.2 A and AA on the page as it is, one line a finding. */
    public List<String> accessibilityFaults() {
        return new WholePage(this, driver).look(this::faults);
    }

    /** As {@link #accessibilityFaults}, and what else it finds in the colours of the night, where nothing but them differs. */
    public List<String> faultsByDayAndNight() {
        return new WholePage(this, driver)
                .look(() -> Stream.concat(
                                faults().stream(), nightFaults().stream().map(f -> "by night " + f))
                        .toList());
    }

    private List<String> faults() {
        return Axe.faultsOfTags(driver, "wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa");
    }

    private List<String> nightFaults() {
        script("document.documentElement.classList.add('night')");
        try {
            return Axe.faultsOfRules(driver, "color-contrast", "link-in-text-block");
        } finally {
            script("document.documentElement.classList.remove('night')");
        }
    }

    public Object script(String script, Object... arguments) {
        return driver.executeScript(script, arguments);
    }

    /** Nothing is left of it for who has the next. */
    @Override
    public void close() {
        chromium.giveBack();
    }
}
