package harbour.reports;

import harbour.dues.Invoice;
import harbour.dues.Money;
import java.util.List;

public class DuesReport extends Report {

    private final List<Invoice> invoices;

    public DuesReport(List<Invoice> invoices) {
        super("Harbour dues");
        this.invoices = List.copyOf(invoices);
    }

    @Override
    protected void body(TextTable table) {
        invoices.forEach(invoice -> table.row(invoice.vessel().name(), invoice.total()));
        table.row("total", invoices.stream().map(Invoice::total).reduce(Money.ZERO, Money::plus));
    }
}
