package vestcoin.app.paper;

import com.helger.phive.api.execute.ValidationExecutionManager;
import com.helger.phive.api.executorset.ValidationExecutorSetRegistry;
import com.helger.phive.api.validity.IValidityDeterminator;
import com.helger.phive.en16931.EN16931Validation;
import com.helger.phive.xml.source.IValidationSourceXML;
import com.helger.phive.xml.source.ValidationSourceXML;
import com.helger.xml.serialize.read.DOMReader;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.springframework.context.annotation.Lazy;
import org.springframework.stereotype.Component;
import vestcoin.app.format.Phrases;

/**
 * The official rules of EN 16931 for invoices and credit notes in UBL, release 1.3.16, as published by CEN/TC 434 and
 * packed in com.helger.phive.rules:phive-rules-en16931.
 */
@Component
@Lazy
public class InvoiceRules {
    private final ValidationExecutorSetRegistry<IValidationSourceXML> registry = new ValidationExecutorSetRegistry<>();

    InvoiceRules() {
        EN16931Validation.initEN16931(registry);
    }

    /**
     * The rules a paper breaks, each in its own words, which are English; nothing where it cannot be had as UBL.
     *
     * @param phrases in the paper's language
     */
    public Optional<List<String>> broken(Paper paper, Phrases phrases) {
        return Ubl.fits(paper) ? Optional.of(broken(paper, Ubl.of(paper, phrases))) : Optional.empty();
    }

    List<String> broken(Paper paper, String xml) {
        List<String> broken = new ArrayList<>();
        ValidationExecutionManager.executeValidation(
                        IValidityDeterminator.createDefault(),
                        registry.getOfID(
                                paper.kind() == Paper.Kind.INVOICE
                                        ? EN16931Validation.VID_UBL_INVOICE_1316
                                        : EN16931Validation.VID_UBL_CREDIT_NOTE_1316),
                        ValidationSourceXML.create(paper.number(), DOMReader.readXMLDOM(xml)))
                .getAllErrors()
                .forEach(error -> broken.add(error.getErrorID() + " " + error.getErrorText(Locale.ENGLISH)));
        return broken;
    }
}
