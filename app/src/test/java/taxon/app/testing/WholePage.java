package taxon.app.testing;

import java.util.List;
import java.util.function.Supplier;
import org.openqa.selenium.chrome.ChromeDriver;

/** All of a page at once: its window is made as high as the page for as long as it is looked at. */
final class WholePage {
    private static final int ROOM_FOR_THE_TALLY = 100;
    /** A table that takes three fifths of its window comes to its end after five. */
    private static final int MOST_SIZES = 8;

    private final Browser browser;
    private final ChromeDriver driver;

    WholePage(Browser browser, ChromeDriver driver) {
        this.browser = browser;
        this.driver = driver;
    }

    /** What a look says, taken again when the page grew under it. */
    List<String> look(Supplier<List<String>> look) {
        long width = (Long) browser.script("return window.innerWidth");
        long height = (Long) browser.script("return window.innerHeight");
        try {
            showTheWholePage(width);
            List<String> found = look.get();
            // A page that has grown under the look had something below its tally.
            for (int again = 0; again < MOST_SIZES && showTheWholePage(width); again++) {
                found = look.get();
            }
            return found;
        } finally {
            browser.size((int) width, (int) height);
        }
    }

    /**
     * Makes the window as high as the page and a little more, so that nothing lies under the band or the tally, which stay in
     * sight.
     *
     * @return whether it was lower than the page
     */
    private boolean showTheWholePage(long width) {
        int round = 0;
        // A table may grow with the window.
        for (long needed = heightThatIsMissing();
                needed > 0 && round < MOST_SIZES;
                needed = heightThatIsMissing(), round++) {
            browser.size((int) width, (int) needed + ROOM_FOR_THE_TALLY);
        }
        return round > 0 && round < MOST_SIZES;
    }

    /** The height of the page as it is drawn, two frames from now; 0 if all of it is in sight. */
    private long heightThatIsMissing() {
        return (Long) driver.executeAsyncScript("""
                const done = arguments[arguments.length - 1];
                requestAnimationFrame(() => requestAnimationFrame(() => {
                    const height = document.documentElement.scrollHeight;
                    done(height > window.innerHeight ? height : 0);
                }));""");
    }
}
