package taxon.app.addresses.placing;

import java.util.Locale;
import taxon.core.addressing.answer.Obstacle;

/** The names of obstacles in JSON: {@code no-room}, {@code order-passed}. */
public final class ObstacleWords {
    private ObstacleWords() {}

    public static String slug(Obstacle obstacle) {
        return obstacle.getClass()
                .getSimpleName()
                .replaceAll("(?<=[a-z])(?=[A-Z])", "-")
                .toLowerCase(Locale.ROOT);
    }
}
