package taxon.core.lines;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import taxon.core.lines.ChainTask.Feed;
import taxon.core.lines.ChainTask.Limits;

/** Tasks by chance. */
final class ChainTasks {
    private ChainTasks() {}

    /** Units and feeds on straight positions above a floor, as in a rig; some pass nothing on. */
    static ChainTask random(Random random, int units, boolean withEnds) {
        int positions = 1 + random.nextInt(3);
        int[][] at = new int[units][];
        for (int i = 0; i < units; i++) {
            at[i] = new int[] {random.nextInt(positions), random.nextInt(20) * 500};
        }
        int slack = random.nextInt(3) * 500;
        int[][] between = new int[units][units];
        boolean[][] known = new boolean[units][units];
        for (int i = 0; i < units; i++) {
            Arrays.fill(known[i], true);
            for (int j = 0; j < units; j++) {
                between[i][j] = i == j ? 0 : way(at[i], at[j]) + slack;
            }
        }
        boolean[] all = new boolean[units];
        Arrays.fill(all, true);
        List<Feed> feeds = new ArrayList<>();
        for (int f = 0; f < 1 + random.nextInt(2); f++) {
            int[] place = {random.nextInt(4), random.nextInt(20) * 500};
            feeds.add(new Feed(
                    1 + random.nextInt(3),
                    IntStream.range(0, units)
                            .map(i -> way(place, at[i]) + slack)
                            .toArray(),
                    all));
        }
        boolean[] last = new boolean[units];
        for (int i = 0; withEnds && i < units; i++) {
            last[i] = random.nextInt(6) == 0;
        }
        return new ChainTask(
                feeds,
                between,
                known,
                IntStream.range(0, units).map(i -> 1 + random.nextInt(8)).toArray(),
                last,
                Arrays.stream(at).mapToInt(a -> a[0]).toArray(),
                new Limits(1 + random.nextInt(4), 8 + random.nextInt(24), 20_000 + random.nextInt(40_000)));
    }

    private static int way(int[] one, int[] other) {
        return one[0] == other[0]
                ? Math.abs(one[1] - other[1])
                : 8_000 + 3_000 * Math.abs(one[0] - other[0]) + Math.abs(one[1] - other[1]);
    }
}
