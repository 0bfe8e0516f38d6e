<?php

declare(strict_types=1);

// Small words that hardly a letter goes without, by language. They decide where a text is short.

return [
    'en' => 'the and is it my for you of to in not have has this that with was are be where when what your thank thanks please can could would hello dear still yet order parcel but from on at if',
    'da' => 'og er det jeg ikke en et til på med har min mit den der som af for hvor hvornår tak hej kan vil skulle være kære endnu pakke bestilling men fra hvis eller venlig hilsen i går',
    'sv' => 'och är det jag inte en ett till på med har min mitt den som av för var när tack hej kan vill skulle vara ännu paket beställning men från om eller vänliga hälsningar än från',
    'nb' => 'og er det jeg ikke en et til på med har min mitt den som av for hvor når takk hei kan vil skulle være ennå pakken bestilling men fra hvis eller vennlig hilsen fått noe',
    'de' => 'und ist das ich nicht der die ein eine zu mit habe hat mein meine von für wo wann danke guten tag kann könnte bitte noch paket bestellung aber aus wenn oder mit freundlichen grüßen',
    'nl' => 'en is het ik niet de een te met heb heeft mijn van voor waar wanneer dank bedankt hallo kan zou graag nog pakket bestelling maar uit als of met vriendelijke groet u jullie',
    'fr' => 'et est je ne pas le la les un une des avec ai mon ma de du pour où quand merci bonjour peux pourriez encore colis commande mais que qui vous cordialement ce cette',
    'es' => 'y es no el la los un una con he mi de del para dónde cuándo gracias hola puedo podría todavía paquete pedido pero que por saludos se lo está usted ha',
    'pt' => 'e é não o a os um uma com meu minha de do da para onde quando obrigado obrigada olá posso poderia ainda encomenda pedido mas que por se está você foi',
    'it' => 'e è non il lo la gli un una con ho mio mia di del per dove quando grazie buongiorno posso potrebbe ancora pacco ordine ma che si sono saluti questo',
    'lv' => 'un ir ka es nav ar mana mans no uz par kur kad paldies labdien sveiki vai varat vēl paciņa sūtījums pasūtījums bet ja lūdzu viss man jau',
    'lt' => 'ir yra kad aš ne su mano iš į apie kur kada ačiū laba diena sveiki ar galite dar siunta užsakymas bet jei prašau man jau',
    'et' => 'ja on et ma ei see minu kus millal aitäh tere kas saate veel pakk tellimus aga kui palun mul ole',
    'fi' => 'ja on että minä ei ole se minun missä milloin kiitos hei voiko vielä paketti tilaus mutta jos olen oli että tämä teidän terveisin',
    'pl' => 'i jest to nie się z na w do mój moja gdzie kiedy dziękuję dzień dobry czy mogę proszę jeszcze paczka zamówienie ale jeśli mam od dla pozdrawiam',
    'cs' => 'a je to ne se s na v do můj moje kde kdy děkuji dobrý den zda mohu prosím ještě balík objednávka ale pokud mám od pro jsem mi',
    'sk' => 'a je to nie sa s na v do môj moje kde kedy ďakujem dobrý deň či môžem prosím ešte balík objednávka ale ak mám od pre som mi',
    'hu' => 'és van nem a az egy hol mikor köszönöm jó napot még csomag rendelés de ha hogy nekem kérem meg',
    'ro' => 'și este nu un o cu am meu mea de la pe unde când mulțumesc bună ziua încă colet comanda dar dacă vă rog să',
    'sl' => 'in je to ni ne se z na v do moj moja kje kdaj hvala dober dan še paket naročilo ampak če prosim sem',
    'hr' => 'i je to nije ne se s na u do moj moja gdje kada hvala dobar dan još paket narudžba ali ako molim sam',
    'tr' => 've bir bu ne değil var yok benim için nerede zaman teşekkürler merhaba hala henüz kargo sipariş ama eğer lütfen',
    'ru' => 'и в не на я что с по мой моя где когда спасибо здравствуйте ещё еще посылка заказ но если пожалуйста у мне',
    'uk' => 'і в не на я що з по мій моя де коли дякую добрий день ще посилка замовлення але якщо будь ласка у мені',
    'bg' => 'и в не на аз че с по моят моята къде кога благодаря здравейте още пратка поръчка но ако моля е съм',
    'sr' => 'и у не на ја да са по мој моја где када хвала здраво још пакет поруџбина али ако молим је сам',
];
