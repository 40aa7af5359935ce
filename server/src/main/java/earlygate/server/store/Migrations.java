package earlygate.server.store;

/** What brings a data file of any earlier version up to this edition's, from nothing too. */
public interface Migrations {
    /**
     * @param url of a data file that nobody serves from
     * @throws RuntimeException where one of them fails; the file is then of no use any more
     */
    void apply(String url);
}
