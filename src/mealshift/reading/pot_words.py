"""What a word says about the pot: is it heat, rest, a soak, a thing that goes in."""

from __future__ import annotations

import re
from functools import lru_cache

from ..quick import lazy, quick
from .names import OTHER_GRAINS

# what is poured off what has boiled, in other tongues
POURED_ABROAD = r"(?:escorr\w*|escurr\w*|scol(?:a|are|ate)|égoutt\w*|abgie(?:ß|ss)\w*|abseih\w*|afgiet\w*|giet af|odced[zź]\w*|häll(?:er)? av|slå av|hæld (?:af|vandet))"
# cookers that are locked, and those that switch themselves off
PRESSURE_ABROAD = r"(?:schnellkochtopf\w*|dampfkochtopf\w*|autocuiseur|cocotte[- ]minute|olla (?:rápida|exprés|express|a presión)|pentola a pressione|panela de pressão|snelkookpan|hogedrukpan|tryckkokare\w*|trykkoger\w*|trykkoker\w*|szybkowar\w*|düdüklü|panci presto)"
RICE_COOKERS_ABROAD = r"(?:reiskocher\w*|cuiseur à riz|(?:olla )?arrocera|cuociriso|panela elétrica|rijstkoker|riskoka(?:re|n)\w*|riskog(?:er|eren)|riskokeren?|ryżowar\w*|(?:pilav|pirinç) pişirici\w*)"
OVEN_ABROAD = r"(?:al horno|en el horno|hornea\w*|(?:in|al|nel) forno|infornare|infornate|au four|enfourn\w+|(?:im|in den) (?:\w+en )?(?:back)?ofen|(?:ao|no|leve ao) forno|in (?:de|een) (?:\w+ )?oven|i (?:\w+ )?(?:ugnen|ovnen)|(?:w|do) (?:\w+ )?piekarnik\w*|fırın(?:d?a|lay\w*)|(?:dalam|di|ke) oven)"
# "Precalentar el horno": done to no other thing
PREHEATS_ABROAD = r"(?:préchauff\w+|vorheiz\w*|verwarm\w* de oven|voorverwarm\w*|precal(?:ent|ient)\w*|preriscald\w*|pré-?aqueç\w*|pré-?aquec\w*|(?:sätt|värm) (?:på )?ugnen|ugnen på|(?:tænd|forvarm) ovnen|(?:rozgrzej|nagrzej|rozgrzać|nagrzać) piekarnik|fırını (?:önceden )?(?:\d+ derece\w* )?ısıt\w*|panaskan oven)"
SOAKED_ABROAD = r"(?:a bagno|in ammollo|en remojo|de molho|à tremper|tremper|trempage|einweichen|weken|i blö[td]|i blø[dt]|blötlägg\w*|bløtlegg\w*|udblød\w*|namocz\w*|namaka\w*|moczyć|moczy|ıslat\w*|rendam\w*)"
COOLED_ABROAD = r"(?:raffredd|enfr[ií]|refroid|abkühl|auskühl|esfri|arrefe|svalna|kallna|afkoel|afkøl|avkjøl|ostud|ostyg|wystyg|soğut|soğuyu|dingin)\w*"
# "sacar el pollo y reservar"; not "retirar del fuego"
TAKEN_OUT_ABROAD = r"(?:herausnehmen|herausheben|beiseite (?:stellen|legen)|zur seite (?:stellen|legen)|réserv(?:er|ez)|(?:mettre|mettez) de côté|(?:sac|retir)(?:ar|a|amos|e|er|ez)(?! (?:del|de la|do|du|la|le|el|o) (?:fuego|horno|fogo|forno|feu|four|plaque|couvercle|tapa|tampa))|reserv(?:ar|a|e|amos)|apart(?:ar|a|amos)|togliere(?! (?:dal|il|la))|(?:tenere|mettere|mettete) da parte|reserve|opzij|apart (?:zetten|leggen)|lägg åt sidan|ta upp|læg(?:ges)? til side|tag op|legg til side|wyjmij|wyjąć|odłóż|kenara al\w*|sisihkan|angkat)"
WORD = lazy(r"[^\W\d_]+(?:'[^\W\d_]+)?")
# what else stands in a pot or beside it, in the tongues recipes are written in
FOODS = {
    "pulse": r"(?:frijol\w*|habichuelas|gandules|caraotas|porotos|lentejas|fagioli|ceci|lenticchie|haricots|linsen|bohnen|nohut|mercimek|feijão|lentil\w*|dal|dhal|beans?|peas?|chickpeas?|moong|mung|chana|cowpeas?|rajma|toor|masoor|urad|arhar|(?:green|black|horse|bengal|red) gram|payar|cherupayar|pulses?|edamame|ndengu|maharagwe|garbanzo\w*|pigeon)",
    "veg": r"(?:ui|uien|prei|wortel\w*|knoflook|lök|vitlök|morot\w*|løk|cebul[aęy]|marchew\w*|sibuyas|vitunguu|kitunguu|karoti|aloo|gajar|vengayam|kanda|cebolla\w*|ajos?|pimient\w+|zanahoria\w*|cipoll\w+|aglio|oignons?|zwiebeln?|knoblauch|soğan\w*|sarımsak|bawang|cebola\w*|alho|onion\w*|garlic|ginger|pepper\w*|carrot\w*|celery|leek\w*|mushroom\w*|spinach|cabbage|veg\w*|pyaz|squash|pumpkin|potato\w*|shallot\w*|scallion\w*|brinjals?|zucchinis?|cauliflower|broccoli|okra|bhindi|palak|gobi|turnips?|parsnips?|swede|kale|chard|beet(?:s|root\w*)?|asparagus|fennel|artichoke\w*|sprouts|sweetcorn|greens|kimchi|bok choy|mutter|matar|erbsen|verduras?|piselli|porcini|ceps?|shiitake|courgette\w*|corn|aubergine\w*|eggplant\w*|noodles|vermicelli|macaroni|spaghetti|penne|pasta)",
    "meat": r"(?:kip|gehakt|kyckling|köttfärs|kylling|kurcz\w+|manok|baboy|nyama|kuku|samaki|gosht|murgh|keema|anda|kozhi|pollo|carne|cerdo|pescado|camarones|gambas|huevos?|frango|porco|manzo|maiale|poulet|boeuf|hähnchen|huhn|tavuk|ayam|daging|ikan|udang|telur|longaniza|costillas?|salsicc\w+|chicken|beef|pork|lamb|mutton|sausage\w*|bacon|mince|meat|turkey|ham|fish|prawn\w*|shrimp\w*|salmon|cod|duck|chorizo|tofu|paneer|egg|eggs|veal|rabbit|venison|goose|bird(?!'?s?[ -]?eye)|hen|thighs?|drumsticks?|wings|breasts?|fillets?|meatballs?|mussels?|clams?|squid|crab\w*|lobster|haddock|mackerel|tuna|sardines?|anchov\w+|trout|halibut|hake|bream|kebabs?|oxtail|livers?|gizzards?|giblets|brisket|steaks?|seafood|shellfish|hot ?dogs?|frankfurters?|hamblokjes|sepia)",
}
# what a word says about the pot; stems
_CLASSES = {
    "OFF": r"(?:elzár\w*|apaga|tắt|vuur uit|van het vuur|värmen|varmen|ognia|wyłącz|padamkan|patayin|epua|apag(?:ar|ue|a|ás)|desligue|spegnete|spegnere|éteindre|éteignez|ausschalten|kapat\w*|matikan|off|out of the oven|remove|removed|switch\w*|turn\w* off|kill|away|stove off|fire off|flame off|band|choolha)",
    "REST": r"(?:pihen\w*|staan|rusten|stå|vila|hvile|odstaw|zostaw|biarkan|biar|rehatkan|hayaan|acha|rehne|chhod|chod|repos(?:ar|e|er|a|o)|deixe|dejar|deje|riposare|ruhen|demle\w*|dinlen\w*|diamkan|rest\w*|stand\w*|sit|sits|sitting|set aside|leave|left|steam\w*|dum|dam|settle|brew|undisturbed|wait\w*|cool\w*)",
    "SOAK": r"(?:kuthir\w*|ngâm|bhig\w+|weken|blötlägg|bløt|blöt|namocz\w*|ibabad|loweka|remoj\w+|ammollo|tremper|einweichen|rendam|beklet\w*|overnite|soak\w*|steep\w*|overnight)",
    "DRAIN": r"(?:vaarkk\w*|afgieten|uitlekken|odcedź|toskan|salain|chuja|chhaan\w*|nithar\w*|vadikat\w*|escurr\w+|scol(?:a|ate|are)|égoutte\w*|abgießen|abtropfen|süz\w*|tiriskan|colar|drain\w*|strain\w*|sieve|colander)",
    "HEAT": r"(?:vevik\w*|thilap\w*|dünst\w*|főz\w*|párol\w*|láng\w*|bajito|fogo|feu|fuoco|nấu|hầm|đun|lửa|kook|koken|kookt|sudderen|pruttelen|stoof|stoven|koka|sjud\w*|kok|kog|gotuj\w*|duś|lutuin|pakuluan|pika|chemsha|pakao|pakaye|pakne|pakaen|ubaal\w*|didih|mendidih|vuur|värme|varme|ogniu|api|aanch|aach|herv(?:ir|ido)|hierv[ae]n?|cocin\w+|cocer|cuec[ei]\w*|cuez[ae]n?|cuocete|cuocere|bollire|bollore|cuire|mijoter|köcheln|kochen|kocht|pişir\w*|masak|rebus|ferv\w+|cozinh\w+|cozer|coza|cozem|fuego|fogo|simmer\w*|cook\w*|boil\w*|bubbl\w*|bake\w*|baking|oven|lowest|low|gentl\w*|putter\w*|tick)",
    "FRY": r"(?:\w*pirít\w*|xào|rang|fruiten|bakken|fräs|stek|svits\w*|bryn|podsmaż\w*|smaż\w*|zeszklij|goreng|igisa|kaanga|vathak\w*|vadhak\w*|tadka|sofr[eí]\w+|rehog\w+|refog\w+|soffrig\w+|rosol\w+|(?:an|mit|ge)?braten|angebraten|brät\w*|andünsten|mitdünsten|kavur\w*|tumis|saltea\w*|fritar|dorar|dora|freír|fríe|fry|fried|frying|saut\w*|brown\w*|soften\w*|sweat\w*|golden|sear\w*|bhun\w*|roast\w*|toast\w*|sizzl\w*|temper\w*)",
    "BOILUP": r"(?:bring|comes?|coming|reach\w*|return\w*|back)",
    "COVER": r"(?:fedő\w*|zugedeckt|abgedeckt|tapa|deksel|afgedekt|lock|lokk|låg|przykryj\w*|przykryciem|takpan|funika|dhak|dhakkan|moodi|tapar|tape|tapad[oa]|coprite|copert[oa]|couvr\w+|couvert|couvercle|coperchio|zudecken|deckel|kapağı?\w*|tutup|tampe|tampad[oa]|cover\w*|lid|lidded|close\w*|closed|foil|clamp|locked|seal\w*)",
    "OPEN": r"(?:uncover\w*|open\w*|lid off)",
    "PRESS": r"(?:pressure|whistle\w*|release|npr|qr|valve|vent\w*|instant|manual|high)",
    "LAST": r"(?:last|final|end|remaining|before)",
    "AFTER": r"(?:after|once|later|first|halfway|half-way)",
    "EVERY": r"(?:every|each|per|side)",
    "STIR": r"(?:khuấy|chalaud\w*|roer\w*|omscheppen|rör|rør|mieszaj\w*|zamieszaj|wymieszaj|kacau|gaul|haluin|koroga|chalao|hilao|remover|revuelv\w+|revolviendo|mexa|mescol\w+|remuer|rühren|umrühren|karıştır\w*|aduk|stir\w*|turn\w*|toss\w*|shake)",
    "COOL": r"(?:cool\w*|chill\w*|fridge|refrigerat\w*|freez\w*|tray|spread|marinat\w*|room)",
    "ADD": r"(?:voeg|toevoegen|erbij|tillsätt|häll|tilsett|tilsæt|dodaj|wlej|wsyp|tuang|tabur|ilagay|idagdag|ongeza|tia|weka|daalo|dalo|dalein|milao|veyyi|agreg\w+|añad\w+|echar|echa|echamos|junte|aggiung\w+|versa(?:te|re)|unite|ajout\w+|zugeben|hinzu\w*|ekle\w*|masukkan|add\w*|tip|pour\w*|scatter\w*|fold|in goes|goes in|go in|throw|put|drop|sprinkle)",
    "GRAIN": rf"(?:choru|ari|gạo|cơm|chamal|rijst|bigas|kanin|wali|mchele|arisi|biyyam|akki|chal|bhat|annam|riso|reis|pirinç\w*|pirinc\w*|ryż|ris|rice|nasi|grain\w*|grits|arroz|chawal|riz|beras|paddy|sadam|{OTHER_GRAINS})",
    "LIQUID": r"(?:vellam|suppe|fond|fumet|nước|bulionu?|vatten|mjölk|buljong|vann|melk|wod[aęy]|mlek[ao]|bulion\w*|pani|doodh|maji|maziwa|tubig|sabaw|neer|thanni|neellu|agua|água|caldo|leche|leite|acqua|brodo|eau|lait|wasser|brühe|milch|suyu?\w*|water|stock|broth|milk|liquid|juice|cream|tomato\w*|yakhni|soup|dashi|wine|santan)",
    "PULSE": FOODS["pulse"],
    "VEG": FOODS["veg"],
    "MEAT": FOODS["meat"],
    "SAUCE": r"(?:sauce|dressing|gravy|syrup|raita|chutney|salsa|marinade|topping|garnish|relish|stew|curry|tempering|tadka)",
    "SPICE": r"(?:spice\w*|cumin|jeera|mustard|cinnamon|cardamom|masala|turmeric|seeds?)",
    "DONE": r"(?:tender|absorbed|done|soft|cooked|dry|craters|holes|thick\w*|creamy)",
    "SERVE": r"(?:serveer|servera|hidang\w*|sajikan|ihain|pakua|servir|sirv[ae]|servite|servieren|serve\w*|serving|eat|plate\w*|garnish\w*)",
}
CLASS = {k: quick(rf"\b{v}\b", re.I) for k, v in _CLASSES.items()}
_OF_TWO = tuple(k for k, v in _CLASSES.items() if " " in v)


@lru_cache(maxsize=2_000)
def classes(text: str) -> tuple[str, ...]:
    """What the words of a text say about the pot, each class once. The sentence before, and the one after, are asked for by every stretch beside them."""
    words = WORD.findall(text.lower())
    found = {k for w in words for k in of_words(w)}
    found.update(k for a, b in zip(words, words[1:], strict=False) for k in of_words(f"{a} {b}"))
    return tuple(k for k in _CLASSES if k in found)


@lru_cache(maxsize=20_000)
def of_words(words: str) -> tuple[str, ...]:
    """The classes of one word or of two as they stand together; the same few thousand words come again and again."""
    return tuple(k for k in (_OF_TWO if " " in words else CLASS) if CLASS[k].fullmatch(words))


# what joins the words of a sentence, where it is not English; and where it is
_JOINS_ABROAD = lazy(
    r"\b(?:il|lo|gli|la|le|del|della|dei|delle|nel|nella|con|per|una|el|los|las|y|al|un|des|du|et|dans|avec|une|und|der|das|dem|mit|eine?|einen|auf|zu|im"
    r"|d[ao]s?|na|uma?|och|og|til|det|på|een|het|van|bir|ve|ile|się|oraz|przez|ze|z(?= )|av|ett|som|till|ner|ned|ved|den|dem|af|ed|bij|voor|niet|em|os|por|até|sur|pendant|les|aux|alla|che|dengan|yang|selama|sampai|dan|sonra|kadar|üzerine|içine|için|veya|fra|hogy|és|egy|majd|dakika|minut(?:os?|i|en|er|ter)?|menit)\b",
    re.I,
)
_JOINS = lazy(r"\b(?:the|and|with|of|to|it|is|for|you|your|into|until)\b", re.I)


def of_another_tongue(text: str) -> bool:
    """Is a sentence held together by other words than English ones?"""
    return len(_JOINS_ABROAD.findall(text)) > 1 + 2 * len(_JOINS.findall(text))
