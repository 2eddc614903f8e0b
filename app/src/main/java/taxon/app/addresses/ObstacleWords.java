package taxon.app.addresses;

import java.util.Locale;
import taxon.core.addressing.answer.Obstacle;

/** The names of obstacles in JSON: {@code no-room}, {@code order-passed}. */
final class ObstacleWords {
    private ObstacleWords() {}

    static String slug(Obstacle obstacle) {
        return obstacle.getClass()
                .getSimpleName()
                .replaceAll("(?<=[a-z])(?=[A-Z])", "-")
                .toLowerCase(Locale.ROOT);
    }
}
