package taxon.app.web;

/** Who does things. Without accounts, whoever sits at this machine. */
public final class People {
    public static final String HERE = "at this machine";

    private People() {}
}
