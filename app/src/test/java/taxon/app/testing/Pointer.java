package taxon.app.testing;

import org.openqa.selenium.By;
import org.openqa.selenium.Rectangle;
import org.openqa.selenium.WebElement;
import org.openqa.selenium.chrome.ChromeDriver;
import org.openqa.selenium.interactions.Actions;

/** A pointer on a page: presses, moves and lets go, as a hand with a mouse does. */
public final class Pointer {
    private static final int STILL_MILLISECONDS = 100;

    private final Browser browser;
    private final ChromeDriver driver;

    Pointer(Browser browser, ChromeDriver driver) {
        this.browser = browser;
        this.driver = driver;
    }

    /** Presses the pointer on one element, moves it by so many pixels and lets go. */
    public void drag(String css, int right, int down) {
        press(css);
        move(right, down);
        release();
    }

    /** Presses the pointer on one element and holds it. */
    public void press(String css) {
        browser.again(() ->
                new Actions(driver).moveToElement(still(css)).clickAndHold().perform());
    }

    /** Moves by so many pixels, in two steps. */
    public void move(int right, int down) {
        new Actions(driver)
                .moveByOffset(right / 2, down / 2)
                .moveByOffset(right - right / 2, down - down / 2)
                .perform();
    }

    public void release() {
        new Actions(driver).release().perform();
    }

    /** An element in view, as soon as it stays where it is: a page that still grows takes it away from under the pointer. */
    private WebElement still(String css) {
        browser.until("never still: " + css, () -> {
            WebElement element = browser.find(css);
            driver.executeScript("arguments[0].scrollIntoView({block: 'center'})", element);
            Rectangle before = element.getRect();
            browser.pause(STILL_MILLISECONDS);
            return element.getRect().equals(before);
        });
        return browser.find(css);
    }

    /** Drags from the middle of one element to the middle of another. */
    public void dragTo(String fromCss, String toCss) {
        browser.again(() -> {
            WebElement from = driver.findElement(By.cssSelector(fromCss));
            WebElement to = driver.findElement(By.cssSelector(toCss));
            new Actions(driver)
                    .moveToElement(from)
                    .clickAndHold()
                    .moveByOffset(0, 8)
                    .moveToElement(to)
                    .release()
                    .perform();
        });
    }

    /** Clicks on an element, so far along it: 0 at its left end, 1 at its right one. */
    public void clickAt(String css, double along) {
        WebElement element = still(css);
        int right = (int) Math.round((along - 0.5) * element.getRect().width);
        new Actions(driver).moveToElement(element, right, 0).click().perform();
    }

    /** Drags from a little before one element to a little behind another: over an area with both in it. */
    public void dragOver(String firstCss, String lastCss, int margin) {
        WebElement first = still(firstCss);
        Rectangle from = first.getRect();
        Rectangle to = browser.find(lastCss).getRect();
        int right = to.x + to.width - from.x + 2 * margin;
        int down = to.y + to.height - from.y + 2 * margin;
        new Actions(driver)
                .moveToElement(first, -from.width / 2 - margin, -from.height / 2 - margin)
                .clickAndHold()
                .moveByOffset(right / 2, down / 2)
                .moveByOffset(right - right / 2, down - down / 2)
                .release()
                .perform();
    }
}
