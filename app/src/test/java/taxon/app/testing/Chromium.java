package taxon.app.testing;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Deque;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentLinkedDeque;
import java.util.logging.Level;
import org.openqa.selenium.WebDriverException;
import org.openqa.selenium.WindowType;
import org.openqa.selenium.chrome.ChromeDriver;
import org.openqa.selenium.chrome.ChromeDriverService;
import org.openqa.selenium.chrome.ChromeOptions;
import org.openqa.selenium.logging.LogType;
import org.openqa.selenium.logging.LoggingPreferences;

/**
 * A headless Chromium with its driver, which classes of tests have after each other: starting one takes longer than some of their
 * tests. Who gets it finds an empty window, no cookie, nothing stored and nothing complained of. It ends with this process.
 */
final class Chromium {
    private static final Map<Boolean, Deque<Chromium>> IDLE =
            Map.of(true, new ConcurrentLinkedDeque<>(), false, new ConcurrentLinkedDeque<>());
    private static final Set<Chromium> ALL = ConcurrentHashMap.newKeySet();

    static {
        Runtime.getRuntime().addShutdownHook(new Thread(() -> ALL.forEach(Chromium::end), "end of the browsers"));
    }

    private final boolean requests;
    private final ChromeDriver driver;
    private final Path downloads;
    private final Set<String> origins = new HashSet<>();

    private Chromium(boolean requests, ChromeDriver driver, Path downloads) {
        this.requests = requests;
        this.driver = driver;
        this.downloads = downloads;
    }

    /** @param requests whether it writes down what every page asks for, which takes its time */
    static Chromium take(boolean requests) {
        Chromium idle = IDLE.get(requests).poll();
        return idle == null ? start(requests) : idle;
    }

    private static Chromium start(boolean requests) {
        ChromeDriverService service = new ChromeDriverService.Builder()
                .usingDriverExecutable(Path.of("/usr/bin/chromedriver").toFile())
                .usingAnyFreePort()
                .build();
        try {
            Path downloads = Files.createTempDirectory("taxon-downloads");
            Chromium started = new Chromium(requests, new ChromeDriver(service, options(requests)), downloads);
            ALL.add(started);
            started.prepare();
            return started;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static ChromeOptions options(boolean requests) {
        ChromeOptions options = new ChromeOptions();
        // Not the script in /usr/bin: it would be ended instead of the browser that it starts.
        options.setBinary("/usr/lib/chromium/chromium-headless-shell");
        options.addArguments(
                "--no-sandbox",
                "--disable-gpu",
                "--disable-quic",
                "--no-first-run",
                "--disable-background-networking",
                "--disable-component-update",
                "--disable-sync",
                "--disable-dev-shm-usage",
                "--hide-scrollbars",
                "--force-device-scale-factor=1",
                "--window-size=1280,800");
        LoggingPreferences logs = new LoggingPreferences();
        logs.enable(LogType.PERFORMANCE, requests ? Level.ALL : Level.OFF);
        logs.enable(LogType.BROWSER, Level.ALL);
        options.setCapability("goog:loggingPrefs", logs);
        return options;
    }

    ChromeDriver driver() {
        return driver;
    }

    /** Where files land that pages give. */
    Path downloads() {
        return downloads;
    }

    void open(String url) {
        origins.add(url.replaceFirst("^(\\w+://[^/]*).*", "$1"));
        driver.get(url);
    }

    /** Sets the size of the page itself, not of the window. */
    void size(int width, int height) {
        driver.executeCdpCommand(
                "Emulation.setDeviceMetricsOverride",
                Map.of("width", width, "height", height, "deviceScaleFactor", 1, "mobile", false));
    }

    private void prepare() {
        size(1280, 800);
        // A page without a window is not in focus by itself, and what is not in focus may miss a key.
        driver.executeCdpCommand("Emulation.setFocusEmulationEnabled", Map.of("enabled", true));
        driver.executeCdpCommand(
                "Browser.setDownloadBehavior", Map.of("behavior", "allow", "downloadPath", downloads.toString()));
    }

    /** Leaves nothing behind for who has it next; one that does not answer any more is ended. */
    void giveBack() {
        try {
            forget();
            prepare();
            IDLE.get(requests).push(this);
        } catch (WebDriverException e) {
            end();
        }
    }

    private void forget() {
        driver.executeCdpCommand("Network.clearBrowserCookies", Map.of());
        origins.forEach(o ->
                driver.executeCdpCommand("Storage.clearDataForOrigin", Map.of("origin", o, "storageTypes", "all")));
        origins.clear();
        String old = driver.getWindowHandle();
        String fresh = driver.switchTo().newWindow(WindowType.TAB).getWindowHandle();
        driver.switchTo().window(old).close();
        driver.switchTo().window(fresh);
        driver.manage().logs().get(LogType.BROWSER);
        if (requests) {
            driver.manage().logs().get(LogType.PERFORMANCE);
        }
    }

    private void end() {
        if (ALL.remove(this)) {
            driver.quit();
        }
    }
}
