/**
 * Names that cosmetic rules ask for on labels (INCI), as they are usual for these materials: of an oil also that of its
 * sodium soap, where there is one. A supplier's document comes first: it knows what is really in the bag.
 */
export const LABEL_NAMES = `
oils | olive                  | Olea Europaea Fruit Oil                      | Sodium Olivate
oils | olive-virgin           | Olea Europaea Fruit Oil                      | Sodium Olivate
oils | olive-pomace           | Olea Europaea Fruit Oil                      | Sodium Olivate
oils | coconut                | Cocos Nucifera Oil                           | Sodium Cocoate
oils | coconut-92             | Hydrogenated Coconut Oil                     | Sodium Hydrogenated Cocoate
oils | coconut-fractionated   | Caprylic/Capric Triglyceride                 | Sodium Caprylate, Sodium Caprate
oils | palm                   | Elaeis Guineensis Oil                        | Sodium Palmate
oils | palm-stearin           | Elaeis Guineensis Oil                        | Sodium Palmate
oils | palm-kernel            | Elaeis Guineensis Kernel Oil                 | Sodium Palm Kernelate
oils | babassu                | Orbignya Oleifera Seed Oil                   | Sodium Babassuate
oils | lard                   | Adeps Suillus                                | Sodium Lardate
oils | tallow                 | Adeps Bovis                                  | Sodium Tallowate
oils | sunflower              | Helianthus Annuus Seed Oil                   | Sodium Sunflowerseedate
oils | sunflower-high-oleic   | Helianthus Annuus Seed Oil                   | Sodium Sunflowerseedate
oils | canola                 | Canola Oil                                   | Sodium Canolate
oils | rice-bran              | Oryza Sativa Bran Oil                        | Sodium Rice Branate
oils | castor                 | Ricinus Communis Seed Oil                    | Sodium Castorate
oils | almond-sweet           | Prunus Amygdalus Dulcis Oil                  | Sodium Sweet Almondate
oils | avocado                | Persea Gratissima Oil                        | Sodium Avocadoate
oils | apricot-kernel         | Prunus Armeniaca Kernel Oil                  | Sodium Apricot Kernelate
oils | grapeseed              | Vitis Vinifera Seed Oil                      | Sodium Grapeseedate
oils | soybean                | Glycine Soja Oil                             | Sodium Soybean Oilate
oils | soy-wax-hydrogenated   | Hydrogenated Soybean Oil                     |
oils | hemp-seed              | Cannabis Sativa Seed Oil                     | Sodium Hempseedate
oils | flaxseed               | Linum Usitatissimum Seed Oil                 |
oils | jojoba                 | Simmondsia Chinensis Seed Oil                |
oils | shea                   | Butyrospermum Parkii Butter                  | Sodium Shea Butterate
oils | cocoa-butter           | Theobroma Cacao Seed Butter                  | Sodium Cocoa Butterate
oils | mango-butter           | Mangifera Indica Seed Butter                 | Sodium Mangoseedate
oils | kokum-butter           | Garcinia Indica Seed Butter                  |
oils | sal-butter             | Shorea Robusta Seed Butter                   |
oils | cupuacu-butter         | Theobroma Grandiflorum Seed Butter           |
oils | beeswax                | Cera Alba                                    |
oils | stearic-acid-mixed     | Stearic Acid, Palmitic Acid                  | Sodium Stearate, Sodium Palmitate
oils | stearic-acid-high      | Stearic Acid                                 | Sodium Stearate
oils | lanolin                | Lanolin                                      |
oils | macadamia              | Macadamia Integrifolia Seed Oil              | Sodium Macadamiaseedate
oils | hazelnut               | Corylus Avellana Seed Oil                    |
oils | safflower-high-linoleic| Carthamus Tinctorius Seed Oil                | Sodium Safflowerate
oils | safflower-high-oleic   | Carthamus Tinctorius Seed Oil                | Sodium Safflowerate
oils | corn                   | Zea Mays Oil                                 | Sodium Cornate
oils | cottonseed             | Gossypium Herbaceum Seed Oil                 |
oils | peanut                 | Arachis Hypogaea Oil                         | Sodium Peanutate
oils | sesame                 | Sesamum Indicum Seed Oil                     | Sodium Sesameseedate
oils | camellia-seed          | Camellia Oleifera Seed Oil                   |
oils | argan                  | Argania Spinosa Kernel Oil                   | Sodium Arganate
oils | rosehip-seed           | Rosa Canina Seed Oil                         |
oils | neem                   | Melia Azadirachta Seed Oil                   |
oils | laurel-berry           | Laurus Nobilis Fruit Oil                     |
oils | meadowfoam             | Limnanthes Alba Seed Oil                     |
liquids | water               | Aqua                                         |
liquids | water-tap           | Aqua                                         |
liquids | rain-spring-water   | Aqua                                         |
liquids | goat-milk           | Goat Milk                                    |
liquids | cow-milk            | Lac                                          |
liquids | cream               | Cream                                        |
liquids | yogurt-plain        | Yogurt                                       |
liquids | buttermilk          | Buttermilk                                   |
liquids | coconut-water       | Cocos Nucifera Water                         |
liquids | aloe-juice          | Aloe Barbadensis Leaf Juice                  |
liquids | cucumber-juice      | Cucumis Sativus Juice                        |
liquids | carrot-juice        | Daucus Carota Sativa Juice                   |
liquids | beer-flat           | Beer                                         |
liquids | wine-flat           | Wine                                         |
liquids | tea-black           | Aqua, Camellia Sinensis Leaf Extract         |
liquids | coffee-brewed       | Aqua, Coffea Arabica Seed Extract            |
liquids | seawater-brine      | Aqua, Sodium Chloride                        |
additives | sodium-lactate-60   | Sodium Lactate, Aqua                       |
additives | sodium-lactate-powder | Sodium Lactate                           |
additives | salt-fine           | Sodium Chloride                            |
additives | salt-bar            | Sodium Chloride                            |
additives | sugar               | Sucrose                                    |
additives | sorbitol-70         | Sorbitol, Aqua                             |
additives | honey               | Mel                                        |
additives | goat-milk-powder    | Goat Milk Powder                           |
additives | cow-milk-powder-skim | Nonfat Dry Milk                           |
additives | buttermilk-powder   | Buttermilk Powder                          |
additives | colloidal-oatmeal   | Colloidal Oatmeal                          |
additives | rolled-oats-ground  | Avena Sativa Kernel Meal                   |
additives | silk-fibre          | Silk                                       |
additives | silk-hydrolysed     | Hydrolyzed Silk, Aqua                      |
additives | citric-acid-anhydrous | Citric Acid                              |
additives | citric-acid-monohydrate | Citric Acid                            |
additives | sodium-citrate-dihydrate | Sodium Citrate                        |
additives | edta-tetrasodium    | Tetrasodium EDTA                           |
additives | sodium-gluconate    | Sodium Gluconate                           |
additives | lactic-acid-80      | Lactic Acid, Aqua                          |
additives | lactic-acid-88      | Lactic Acid, Aqua                          |
additives | vinegar-5           | Acetum                                     |
additives | ascorbic-acid       | Ascorbic Acid                              |
additives | glycerin            | Glycerin                                   |
additives | rosemary-extract    | Rosmarinus Officinalis Leaf Extract        |
additives | tocopherol-mixed    | Tocopherol                                 |
additives | bht                 | BHT                                        |
additives | poppy-seed          | Papaver Somniferum Seed                    |
additives | pumice-fine         | Pumice                                     |
additives | loofah-ground       | Luffa Cylindrica Fruit                     |
additives | oat-protein-hydrolysed | Hydrolyzed Oat Protein                  |
additives | aloe-powder         | Aloe Barbadensis Leaf Juice Powder         |
additives | egg-yolk            | Egg Yolk                                   |
colorants | titanium-white      | CI 77891                                   |
colorants | titanium-dioxide-oil | CI 77891                                  |
colorants | zinc-oxide          | CI 77947                                   |
colorants | red-oxide           | CI 77491                                   |
colorants | yellow-oxide        | CI 77492                                   |
colorants | black-iron-oxide    | CI 77499                                   |
colorants | brown-oxide         | CI 77491, CI 77492, CI 77499               |
colorants | burgundy-iron-oxide | CI 77491                                   |
colorants | orange-iron-oxide   | CI 77491, CI 77492                         |
colorants | chrome-green        | CI 77288                                   |
colorants | hydrated-green      | CI 77289                                   |
colorants | ultramarine-blue    | CI 77007                                   |
colorants | ultramarine-violet  | CI 77007                                   |
colorants | ultramarine-pink    | CI 77007                                   |
colorants | manganese-violet    | CI 77742                                   |
colorants | iron-blue           | CI 77510                                   |
colorants | mica-pearl-white    | Mica, CI 77891                             |
colorants | mica-gold           | Mica, CI 77891, CI 77491                   |
colorants | mica-copper         | Mica, CI 77491                             |
colorants | charcoal            | Charcoal Powder                            |
colorants | kaolin-white        | Kaolin                                     |
colorants | rose-clay           | Kaolin, CI 77491                           |
colorants | green-clay          | Illite                                     |
colorants | bentonite           | Bentonite                                  |
colorants | rhassoul            | Moroccan Lava Clay                         |
colorants | madder-root         | Rubia Tinctorum Root Powder                |
colorants | alkanet-root        | Alkanna Tinctoria Root Powder              |
colorants | turmeric            | Curcuma Longa Root Powder                  |
colorants | paprika             | Capsicum Annuum Fruit Powder               |
colorants | annatto-seed        | Bixa Orellana Seed Powder                  |
colorants | spirulina           | Spirulina Platensis Powder                 |
colorants | nettle-leaf         | Urtica Dioica Leaf Powder                  |
colorants | cocoa-powder        | Theobroma Cacao Seed Powder                |
colorants | coffee-ground       | Coffea Arabica Seed Powder                 |
colorants | hibiscus-powder     | Hibiscus Sabdariffa Flower Powder          |
colorants | walnut-hull         | Juglans Regia Shell Powder                 |
colorants | plain-water         | Aqua                                       |
scents | eo-lavender           | Lavandula Angustifolia Oil                  |
scents | eo-lavandin           | Lavandula Hybrida Oil                       |
scents | eo-tea-tree           | Melaleuca Alternifolia Leaf Oil             |
scents | eo-peppermint         | Mentha Piperita Oil                         |
scents | eo-spearmint          | Mentha Viridis Leaf Oil                     |
scents | eo-eucalyptus         | Eucalyptus Globulus Leaf Oil                |
scents | eo-rosemary           | Rosmarinus Officinalis Leaf Oil             |
scents | eo-sweet-orange       | Citrus Aurantium Dulcis Peel Oil            |
scents | eo-lemon-expressed    | Citrus Limon Peel Oil                       |
scents | eo-lime-expressed     | Citrus Aurantifolia Peel Oil                |
scents | eo-grapefruit         | Citrus Paradisi Peel Oil                    |
scents | eo-bergamot-expressed | Citrus Aurantium Bergamia Peel Oil          |
scents | eo-bergamot-fcf       | Citrus Aurantium Bergamia Peel Oil          |
scents | eo-litsea             | Litsea Cubeba Fruit Oil                     |
scents | eo-lemongrass         | Cymbopogon Schoenanthus Oil                 |
scents | eo-palmarosa          | Cymbopogon Martini Oil                      |
scents | eo-geranium           | Pelargonium Graveolens Flower Oil           |
scents | eo-ylang-ylang        | Cananga Odorata Flower Oil                  |
scents | eo-patchouli          | Pogostemon Cablin Oil                       |
scents | eo-vetiver            | Vetiveria Zizanoides Root Oil               |
scents | eo-cedarwood-virginian | Juniperus Virginiana Oil                   |
scents | eo-cedarwood-atlas    | Cedrus Atlantica Bark Oil                   |
scents | eo-juniper-berry      | Juniperus Communis Fruit Oil                |
scents | eo-frankincense       | Boswellia Carterii Oil                      |
scents | eo-clary-sage         | Salvia Sclarea Oil                          |
scents | eo-black-pepper       | Piper Nigrum Fruit Oil                      |
scents | eo-ginger             | Zingiber Officinale Root Oil                |
scents | eo-clove-bud          | Eugenia Caryophyllus Bud Oil                |
scents | eo-thyme-thymol       | Thymus Vulgaris Oil                         |
scents | eo-fennel-sweet       | Foeniculum Vulgare Oil                      |
scents | eo-chamomile-german   | Chamomilla Recutita Flower Oil              |
`
