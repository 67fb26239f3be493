package vestcoin.app.planted.one;

import vestcoin.app.planted.other.There;

/** One half of a circle, planted to see that it is found. */
public class Here {
    There there;
}
