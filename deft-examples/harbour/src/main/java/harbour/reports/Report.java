package harbour.reports;

/** A report with a heading and lines. */
public abstract class Report {

    private final String title;

    protected Report(String title) {
        this.title = title;
    }

    public final String print() {
        StringBuilder text = new StringBuilder(title).append('\n');
        body(new TextTable(text));
        return text.toString();
    }

    protected abstract void body(TextTable table);
}
